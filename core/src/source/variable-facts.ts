import type { ChannelFunction } from '../color/literal.ts'
import type { ChannelTriple, Reading, Reference, Use } from './occurrence.ts'

/** Some places of a file that take a variable in the same way. */
export interface TakenVariable {
  /** The variable, as it is looked up. */
  readonly key: string
  /** That which the places define, as it is looked up: a link of a chain. */
  readonly by: string | null
  readonly channelsOf: ChannelFunction | null
  readonly use: Use
  /** Whether the value goes where that of `by` goes. */
  readonly passesOn: boolean
  readonly places: number
}

type Counted = TakenVariable & { places: number }

/** What one file tells of variables, each thing once: all that it takes to say with every file together what they are. */
export interface VariableFacts {
  readonly taken: readonly TakenVariable[]
  /** Those whose value has a color in it, a keyword of colors or a computed one; as they are looked up. */
  readonly colored: readonly string[]
  readonly triples: readonly Pick<ChannelTriple, 'variable' | 'raw'>[]
}

/** The name under which a variable is looked up: to Sass `_` and `-` in names are the same. */
export function variableKey(name: string): string {
  return name.startsWith('$') ? name.replaceAll('_', '-') : name
}

/** Whether the variable that a place defines goes where the value goes that it takes: what takes a list does not say which of it. */
export function passesOn({ variable, property, taken }: Pick<Reference, 'variable' | 'property' | 'taken'>): boolean {
  return property === variable && taken !== 'listed'
}

/** What a file tells of variables. */
export function variableFacts({ references, occurrences, keywords, computed, triples }: Reading): VariableFacts {
  const taken: Counted[] = []
  const ways = new Map<string, Map<string | null, Counted[]>>()
  for (const reference of references) {
    const { name, variable, channelsOf } = reference
    // What only passes a value on paints nothing itself.
    const use = variable === null ? reference.use : 'variable'
    const passes = passesOn(reference)
    const ofName = ways.get(name) ?? new Map<string | null, Counted[]>()
    const known = ofName.get(variable) ?? []
    const same = known.find((each) => each.use === use && each.channelsOf === channelsOf && each.passesOn === passes)
    if (same) {
      same.places++
      continue
    }
    const by = variable === null ? null : variableKey(variable)
    const first = { key: variableKey(name), by, channelsOf, use, passesOn: passes, places: 1 }
    taken.push(first)
    ways.set(name, ofName.set(variable, [...known, first]))
  }
  const colored = new Set<string>()
  for (const places of [occurrences, keywords, computed])
    for (const { variable } of places) if (variable !== null) colored.add(variableKey(variable))
  return {
    taken,
    colored: [...colored],
    triples: triples.map(({ variable, raw }) => ({ variable, raw })),
  }
}
