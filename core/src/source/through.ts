import type { Reference } from './occurrence.ts'
import { passesOn, variableKey } from './variable-facts.ts'
import type { Variable } from './variables.ts'

/** Where the value of a variable shows: as if it was written there. */
export type End = Reference & { readonly file: string }

/** For a variable, with its sigil, the places that take its value in the end; none for one that carries no color. */
export type EndsOf = (variable: string) => readonly End[]

/** Places of one variable beyond which none is looked at: what they have in common is known by then. */
const MOST_ENDS = 1_000

/** Steps along chains in all before only direct ends are told: hostile chains cost no time. */
const MOST_STEPS = 2_000_000

/** Follows variables to where they show, through others that take their value as it is or make another of it, not through lists of many. What is found is kept. */
export function follower(variables: readonly Variable[]): EndsOf {
  const references = new Map(variables.map(({ name, references }) => [variableKey(name), references]))
  const known = new Map<string, readonly End[]>()
  let steps = 0
  const endsFrom = (key: string) => {
    /** Whether the value comes as it is to each variable on the way. */
    const ways = new Map([[key, true]])
    const ends: End[] = []
    // A map is walked in the order of insertion, what is added on the way included.
    for (const [name, isPlain] of ways)
      for (const end of references.get(name) ?? []) {
        if (ends.length >= MOST_ENDS) return ends
        const { variable, taken } = end
        if (variable === null) ends.push(isPlain || taken !== 'plain' ? end : { ...end, taken: 'made' })
        else if (++steps < MOST_STEPS && passesOn(end) && !ways.has(variableKey(variable)))
          ways.set(variableKey(variable), isPlain && taken === 'plain')
      }
    return ends
  }
  return (variable) => {
    const key = variableKey(variable)
    const found = known.get(key) ?? endsFrom(key)
    known.set(key, found)
    return found
  }
}
