import type { OpaqueKey } from '../color/color.ts'
import type { Lab } from '../color/difference.ts'
import {
  FACETS,
  type Facet,
  type FacetIndex,
  type FacetValue,
  facetValues,
  indexFacet,
  passing,
  type Surroundings,
} from './facets.ts'
import type { Ledger } from './ledger.ts'
import { distancesTo, labsOf, markFamily, markText } from './search.ts'
import { markWords, NO_WORDS, runsOf, type Words } from './words.ts'

export const GROUPINGS = ['file', 'color', 'heading', 'selector', 'variable'] as const
export type Grouping = (typeof GROUPINGS)[number]

/** Which places of a ledger are shown, and how they are grouped. */
export interface LedgerView {
  /** Any of the values of a facet; an empty list, or none, limits nothing. */
  readonly chosen: Readonly<Partial<Record<Facet, readonly string[]>>>
  /** Only these colors; null: all. */
  readonly colors: readonly OpaqueKey[] | null
  /** Only colors within a reach (ΔE00) of one. */
  readonly near: { readonly color: OpaqueKey; readonly reach: number } | null
  /** Only places in which this is found; empty: all. */
  readonly text: string
  /** Whether colors of the family that the text names are found by it too. */
  readonly isFamily: boolean
  readonly grouping: Grouping
  /** The facet whose values are all told; of the others the most used MOST_VALUES and those that are chosen. */
  readonly whole: Facet | null
}

/** The view of every place, by file. */
export const EVERYTHING: LedgerView = {
  chosen: {},
  colors: null,
  near: null,
  text: '',
  isFamily: false,
  grouping: 'file',
  whole: null,
}

/** There may be as many headings as files: to tell them all each time would cost more than to count them. */
export const MOST_VALUES = 60

/** The groups of a view, in columns too: there may be as many as places. */
export interface Groups {
  /** The first place of each; what the group is called is read from it. */
  readonly places: Uint32Array
  readonly counts: Uint32Array
  /** ΔE00 of each to the color that is sought; null: none is, or the groups hold several colors. */
  readonly distances: Float64Array | null
}

export interface Viewed {
  /** Indices of the places, those of one group behind another. */
  readonly shown: Uint32Array
  readonly groups: Groups
  /** Distinct colors among the places. */
  readonly colors: number
  /** The values of each facet, with the places that they have when the other facets stay as chosen. */
  readonly facets: Readonly<Record<Facet, readonly FacetValue[]>>
  /** Pages whose words were sought, though not all of them are known. */
  readonly partly: number
}

/** A ledger with all that is made once to answer every view of it. */
export interface IndexedLedger {
  readonly ledger: Ledger
  readonly runs: Uint32Array
  readonly words: Words
  readonly labs: readonly (Lab | null)[]
  readonly facets: Readonly<Record<Facet, FacetIndex>>
}

export function indexLedger(ledger: Ledger, surroundings: Surroundings): IndexedLedger {
  const facets = FACETS.map((facet) => [facet, indexFacet(ledger, facet, surroundings)])
  return {
    ledger,
    runs: runsOf(ledger),
    words: NO_WORDS,
    labs: labsOf(ledger),
    facets: Object.fromEntries(facets) as IndexedLedger['facets'],
  }
}

/** The same with other standings: what was decided moves, what was read stays. */
export function withStandings(indexed: IndexedLedger, standings: Uint8Array): IndexedLedger {
  return { ...indexed, facets: { ...indexed.facets, standing: { ...indexed.facets.standing, codes: standings } } }
}

/** The same with what the pages show, in which texts are found too. */
export function withWords(indexed: IndexedLedger, words: Words): IndexedLedger {
  return { ...indexed, words }
}

/** The places of a view in their order, its groups and the counts of every facet. Some twenty walks over numbers; linear in the places. */
export function viewLedger(indexed: IndexedLedger, view: LedgerView): Viewed {
  const { ledger, labs, facets } = indexed
  const distances = view.near && distancesTo(view.near.color, labs)
  const passes = FACETS.map((facet) => passing(facets[facet], view.chosen[facet]))
  const { fails, failing } = failuresOf(
    soughtIn(indexed, view, distances),
    FACETS.map((facet, i) => ({ codes: facets[facet].codes, pass: passes[i] ?? null })),
  )
  const found = indicesOf(fails, 0)
  const values = FACETS.map((facet, i) => {
    const { codes, members } = facets[facet]
    const counts = new Uint32Array(members.length)
    countCodes(codes, found, counts)
    // Those that pass everything but this very facet are what its other values would give.
    if (passes[i])
      for (let at = 0; at < fails.length; at++)
        if (fails[at] === 1 && failing[at] === i) bump(counts, codes[at] as number)
    const most = facet === view.whole ? Number.POSITIVE_INFINITY : MOST_VALUES
    return [facet, facetValues(facets[facet], counts, view.chosen[facet], most)]
  })
  const perColor = new Uint32Array(ledger.columns.color.values.length)
  countCodes(ledger.columns.color.codes, found, perColor)
  return {
    ...grouped(ledger, found, view.grouping, distances),
    colors: perColor.reduce((sum, count) => sum + Math.min(count, 1), 0),
    facets: Object.fromEntries(values) as Viewed['facets'],
    partly: view.text === '' ? 0 : indexed.words.partly.length,
  }
}

function bump(counts: Uint32Array, code: number): void {
  counts[code] = (counts[code] as number) + 1
}

function countCodes(codes: Uint32Array | Uint8Array, places: Uint32Array, counts: Uint32Array): void {
  for (let at = 0; at < places.length; at++) bump(counts, codes[places[at] as number] as number)
}

function indicesOf(values: Uint8Array | Uint32Array, sought: number): Uint32Array {
  const indices = new Uint32Array(values.length)
  let length = 0
  for (let at = 0; at < values.length; at++) if (values[at] === sought) indices[length++] = at
  return indices.slice(0, length)
}

/** A place that is not sought fails by more than any facet could mend. */
const NOT_SOUGHT = 100

/** By how many facets each place fails, and by which one last. */
function failuresOf(
  sought: Uint8Array,
  facets: readonly { readonly codes: Uint32Array | Uint8Array; readonly pass: Uint8Array | null }[],
): { fails: Uint8Array; failing: Uint8Array } {
  const fails = sought.map((is) => (is === 1 ? 0 : NOT_SOUGHT))
  const failing = new Uint8Array(sought.length)
  facets.forEach(({ codes, pass }, facet) => {
    if (!pass) return
    for (let at = 0; at < fails.length; at++) {
      if (pass[codes[at] as number] === 1) continue
      fails[at] = (fails[at] as number) + 1
      failing[at] = facet
    }
  })
  return { fails, failing }
}

/** By place: 1 where it passes what is no facet. */
function soughtIn(
  { ledger, runs, words }: IndexedLedger,
  view: LedgerView,
  distances: Float64Array | null,
): Uint8Array {
  const { color } = ledger.columns
  const sought = new Uint8Array(ledger.length).fill(1)
  if (view.colors !== null || distances !== null) {
    const wanted = view.colors && new Set(view.colors)
    const reach = view.near?.reach ?? 0
    const hits = color.values.map(
      (key, code) =>
        (wanted === null || wanted.has(key)) && (distances === null || (distances[code] as number) <= reach),
    )
    for (let at = 0; at < sought.length; at++) sought[at] = hits[color.codes[at] as number] ? 1 : 0
  }
  if (view.text !== '') {
    const held = new Uint8Array(ledger.length)
    markText(ledger, view.text, held)
    markWords(words, runs, view.text, held)
    if (view.isFamily) markFamily(ledger, view.text, held)
    for (let at = 0; at < sought.length; at++) if (held[at] === 0) sought[at] = 0
  }
  return sought
}

/** By file in the order of the files, under its headings; else the largest group first, or the nearest color; what has no name last. */
function grouped(
  ledger: Ledger,
  found: Uint32Array,
  grouping: Grouping,
  distances: Float64Array | null,
): Pick<Viewed, 'shown' | 'groups'> {
  if (grouping === 'file') return byFile(ledger, found)
  const { codes, values } = ledger.columns[grouping]
  const counts = new Uint32Array(values.length)
  countCodes(codes, found, counts)
  const distance = (code: number) => (grouping === 'color' && distances ? (distances[code] as number) : null)
  const order = [
    ...indicesOf(
      counts.map((count) => Math.min(count, 1)),
      1,
    ),
  ].sort(
    (a, b) =>
      Number(values[a] === null) - Number(values[b] === null) ||
      (distance(a) ?? 0) - (distance(b) ?? 0) ||
      (counts[b] as number) - (counts[a] as number) ||
      a - b,
  )
  const next = new Uint32Array(values.length)
  const starts = new Uint32Array(order.length)
  let start = 0
  order.forEach((code, i) => {
    starts[i] = start
    next[code] = start
    start += counts[code] as number
  })
  const shown = new Uint32Array(found.length)
  for (let at = 0; at < found.length; at++) {
    const place = found[at] as number
    const code = codes[place] as number
    shown[next[code] as number] = place
    bump(next, code)
  }
  return {
    shown,
    groups: {
      places: starts.map((first) => shown[first] as number),
      counts: Uint32Array.from(order, (code) => counts[code] as number),
      distances:
        grouping === 'color' && distances ? Float64Array.from(order, (code) => distances[code] as number) : null,
    },
  }
}

function byFile({ columns: { path, heading } }: Ledger, found: Uint32Array): Pick<Viewed, 'shown' | 'groups'> {
  const places = new Uint32Array(found.length)
  const counts = new Uint32Array(found.length)
  let length = 0
  for (let at = 0; at < found.length; at++) {
    const place = found[at] as number
    const last = places[length - 1] as number
    if (length === 0 || path.codes[last] !== path.codes[place] || heading.codes[last] !== heading.codes[place])
      places[length++] = place
    bump(counts, length - 1)
  }
  return { shown: found, groups: { places: places.slice(0, length), counts: counts.slice(0, length), distances: null } }
}
