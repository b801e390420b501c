import { partsOfCompound } from '../selector/compound.ts'
import { type State, statesOf } from '../selector/state.ts'
import type { Computed, Context, Keyword, Occurrence } from '../source/occurrence.ts'
import type { Place } from '../source/place.ts'
import { selectorsOf } from './selectors-of.ts'

/** What paints the text, the ground and the lines of one subject in one state: at least two of them. */
export interface Meeting<O extends Occurrence> {
  readonly text?: O | undefined
  readonly ground?: O | undefined
  readonly line?: O | undefined
}

type Painted = keyof Meeting<Occurrence>

/** One place, for one selector of its list. */
interface DeclaredPaint<O> {
  /** null: what it paints has no one color. */
  readonly place: O | null
  readonly painted: Painted
  readonly states: readonly State[]
  /** Important, ids, classes, types, order in the file: the greater wins. */
  readonly strength: readonly number[]
}

/** The rules for one subject: by at-rules, then by states and specificity; of equal ones the last in the sheet. */
type Rules<O> = Map<string, Map<string, DeclaredPaint<O>>>

/** Situations of one subject beyond which none is looked at: sheets that people write have a few dozen at most. */
const MOST_SITUATIONS = 500

/**
 * The colors that meet on one subject, of whatever rules of one file: of a state those of rest too, of `.key.late` those of `.key` and of `.late`,
 * within a condition those outside of any. The strongest counts, as in the cascade. What has no one color, a gradient or a keyword,
 * is not told, but hides what is weaker; the solid that the same rule has under a gradient is told in its place. Each two that meet are told once, of the
 * plainest subject.
 * @param occurrences those of one file
 * @param taking what takes another color there: keywords, and what is computed from variables
 */
export function meetings<O extends Occurrence>(
  occurrences: readonly O[],
  taking: readonly (Keyword | Computed)[],
): Meeting<O>[] {
  const bySubject = rulesBySubject(occurrences, taking)
  const told = new Set<string>()
  const plainestFirst = [...bySubject.keys()]
    .map((subject) => [subject, ...partsOfCompound(subject)])
    .toSorted((a, b) => a.length - b.length)
  return plainestFirst.flatMap((subjects) => {
    const rules = subjects.flatMap((subject) => bySubject.get(subject) ?? [])
    return situationsOf(rules).flatMap(({ condition, states }): Meeting<O>[] => {
      const look = lookIn(rules, condition, states)
      const key = [look.text, look.ground, look.line]
        .map((place) => place && `${place.range.start} ${place.color}`)
        .join()
      if (told.has(key) || Object.keys(look).length < 2) return []
      told.add(key)
      return [look]
    })
  })
}

function rulesBySubject<O extends Occurrence>(
  occurrences: readonly O[],
  taking: readonly (Keyword | Computed)[],
): Map<string, Rules<O>> {
  const bySubject = new Map<string, Rules<O>>()
  const declare = (place: Context & Place, solid: O | null, isHiding: boolean) => {
    const painted = paintedBy(place)
    if (painted === null) return
    for (const { subject, signals, specificity } of selectorsOf(place)) {
      const states = statesOf(signals)
      const rules = bySubject.get(subject) ?? new Map<string, Map<string, DeclaredPaint<O>>>()
      bySubject.set(subject, rules)
      const condition = JSON.stringify(place.atRules)
      const own = rules.get(condition) ?? new Map<string, DeclaredPaint<O>>()
      rules.set(condition, own)
      const strength = [Number(place.important), ...specificity]
      const key = JSON.stringify([painted, states, strength])
      const known = own.get(key)
      const isLater = !known || (known.strength.at(-1) as number) < place.range.start
      if (isLater && (isHiding || !known))
        own.set(key, { place: solid, painted, states, strength: [...strength, place.range.start] })
    }
  }
  for (const place of occurrences) {
    const isSolid = place.alpha === 1 && place.functions.length === 0
    declare(place, isSolid ? place : null, isSolid)
  }
  for (const place of taking) declare(place, null, true)
  return bySubject
}

/** null: it meets nothing that could be told. */
function paintedBy({ use, property, variable }: Context): Painted | null {
  // What a variable is worth is no paint where it is set.
  if (variable !== null) return null
  if (use === 'text') return property.toLowerCase() === 'color' ? use : null
  return use === 'ground' || use === 'line' ? use : null
}

const OUTSIDE = JSON.stringify([])

interface Situation {
  readonly condition: string
  readonly states: readonly State[]
}

/** The conditions and states that any of the rules ask for, those outside and at rest first. */
function situationsOf<O>(rules: readonly Rules<O>[]): Situation[] {
  const conditions = new Set([OUTSIDE, ...rules.flatMap((own) => [...own.keys()])])
  const states = new Map<string, readonly State[]>([['', []]])
  for (const own of rules)
    for (const declared of own.values())
      for (const one of declared.values()) states.set(one.states.join(' '), one.states)
  const situations: Situation[] = []
  for (const condition of conditions)
    for (const each of states.values())
      if (situations.length < MOST_SITUATIONS) situations.push({ condition, states: each })
  return situations
}

function lookIn<O extends Occurrence>(
  rules: readonly Rules<O>[],
  condition: string,
  states: readonly State[],
): Meeting<O> {
  const strongest = new Map<Painted, DeclaredPaint<O>>()
  for (const own of rules)
    for (const each of condition === OUTSIDE ? [OUTSIDE] : [OUTSIDE, condition])
      for (const declared of own.get(each)?.values() ?? []) {
        if (!declared.states.every((state) => states.includes(state))) continue
        const known = strongest.get(declared.painted)
        // Of one declaration that takes a variable, what the variable is under the condition counts.
        if (!known || !isStronger(known.strength, declared.strength)) strongest.set(declared.painted, declared)
      }
  return Object.fromEntries([...strongest].flatMap(([painted, { place }]) => (place ? [[painted, place]] : [])))
}

function isStronger(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((value, index) => value !== b[index])
  return (a[at] ?? 0) > (b[at] ?? 0)
}
