import { statesOf } from '../selector/state.ts'
import { syntaxOf } from '../source/syntax.ts'
import { type Column, type Ledger, listsIn } from './ledger.ts'

/** By what the places of a ledger can be told apart. */
export const FACETS = [
  'use',
  'state',
  'standing',
  'syntax',
  'notation',
  'confidence',
  'origin',
  'file',
  'heading',
] as const
export type Facet = (typeof FACETS)[number]

/** What becomes of a place: nothing is decided, it takes something else, it is kept, or it takes nothing before somebody confirms that it is a color. */
export const STANDINGS = ['open', 'decided', 'kept', 'possible'] as const

/** What a ledger does not know of its places. */
export interface Surroundings {
  /** Index into STANDINGS, by place. */
  readonly standings: Uint8Array
  /** Files of third-party code, and files made from others; all others are the site's own. */
  readonly thirdParty: ReadonlySet<string>
  readonly generated: ReadonlySet<string>
}

/** One facet of all places: the code of each place leads to the values that it has there, one or several. */
export interface FacetIndex {
  readonly codes: Uint32Array | Uint8Array
  /** By code: indices into `values`. */
  readonly members: readonly (readonly number[])[]
  readonly values: readonly string[]
}

/** The state of places that ask for none. */
const REST = 'rest'

/** The places of a ledger by one facet. Linear in the distinct values. A place without a heading has the empty one. */
export function indexFacet(
  ledger: Ledger,
  facet: Facet,
  { standings, thirdParty, generated }: Surroundings,
): FacetIndex {
  const { columns } = ledger
  switch (facet) {
    case 'standing':
      return { codes: standings, members: STANDINGS.map((_, i) => [i]), values: STANDINGS }
    case 'state': {
      // What selectors ask for differs from place to place; the states that it stands for are few.
      const { codes, values } = grouped(listsIn(ledger, 'signals'), (signals) => statesOf(signals).join(' '))
      return named(
        ledger.lists.signals.codes.map((code) => codes[code] as number),
        values,
        (states) => (states === '' ? [REST] : states.split(' ')),
      )
    }
    case 'file':
      return named(columns.path.codes, columns.path.values, (path) => [path])
    case 'syntax':
      return named(columns.path.codes, columns.path.values, (path) => [syntaxOf(path)])
    case 'origin':
      return named(columns.path.codes, columns.path.values, (path) => [
        thirdParty.has(path) ? 'third-party' : generated.has(path) ? 'generated' : 'own',
      ])
    case 'heading':
      return named(columns.heading.codes, columns.heading.values, (heading) => [heading ?? ''])
    default:
      return named(columns[facet].codes, columns[facet].values as readonly string[], (value) => [value])
  }
}

/** The groups of some values. */
function grouped<T>(given: readonly T[], groupOf: (value: T) => string): Column<string> {
  const { idOf, names } = numbering()
  return { codes: Uint32Array.from(given, (value) => idOf(groupOf(value))), values: names }
}

function named<T>(codes: Uint32Array, given: readonly T[], namesOf: (value: T) => readonly string[]): FacetIndex {
  const { idOf, names } = numbering()
  return { codes, members: given.map((value) => namesOf(value).map(idOf)), values: names }
}

/** Numbers names as they come; `names` grows with them. */
function numbering(): { idOf(name: string): number; readonly names: readonly string[] } {
  const ids = new Map<string, number>()
  const names: string[] = []
  return {
    names,
    idOf(name) {
      const known = ids.get(name)
      if (known !== undefined) return known
      ids.set(name, names.length)
      return names.push(name) - 1
    },
  }
}

/** By code: 1 where one of some chosen values is among those of the code. null: nothing is chosen, everything passes. */
export function passing({ members, values }: FacetIndex, chosen: readonly string[] | undefined): Uint8Array | null {
  if (!chosen || chosen.length === 0) return null
  const ids = new Set(chosen.map((value) => values.indexOf(value)))
  return Uint8Array.from(members, (of) => (of.some((id) => ids.has(id)) ? 1 : 0))
}

export interface FacetValue {
  readonly value: string
  readonly count: number
}

/** The values with places, most used first, at most so many; and whatever is chosen, though it has none. */
export function facetValues(
  { members, values }: FacetIndex,
  perCode: Uint32Array,
  chosen: readonly string[] | undefined,
  most: number,
): FacetValue[] {
  const counts = new Uint32Array(values.length)
  members.forEach((of, code) => {
    for (const id of of) counts[id] = (counts[id] as number) + (perCode[code] as number)
  })
  const found = values.map((value, id): FacetValue => ({ value, count: counts[id] as number }))
  const missing = (chosen ?? []).filter((value) => !values.includes(value)).map((value) => ({ value, count: 0 }))
  return [...found, ...missing]
    .filter(({ value, count }) => count > 0 || chosen?.includes(value))
    .toSorted((a, b) => b.count - a.count || (a.value < b.value ? -1 : 1))
    .filter(({ value }, i) => i < most || chosen?.includes(value))
}
