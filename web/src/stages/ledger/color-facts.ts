import {
  countBy,
  distancesTo,
  type Lab,
  type Ledger,
  labsOf,
  type OpaqueKey,
  type State,
  statesOf,
  type Use,
} from '@undo-ink/core'
import type { PlaceOf, SitePlaces } from '../../work/places.ts'

/** Something and how many places have it. */
export type Counted<T> = readonly (readonly [T, number])[]

/** What is known of one color of a site. */
export interface ColorFacts {
  readonly places: readonly PlaceOf[]
  /** As it is written, most used first. */
  readonly spellings: Counted<string>
  readonly uses: readonly { readonly use: Use; readonly count: number; readonly states: Counted<State | 'rest'> }[]
  /** null: a variable gives it. */
  readonly alphas: Counted<number | null>
  readonly files: number
  /** Variables whose value it is, with how many places define them so. */
  readonly variables: Counted<string>
}

export function colorFacts(site: SitePlaces, color: OpaqueKey): ColorFacts {
  const places = site.some(site.ofColors([color]))
  return {
    places,
    spellings: counted(places, ({ raw }) => raw),
    uses: counted(places, ({ use }) => use).map(([use, count]) => {
      const states = places
        .filter((place) => place.use === use)
        .flatMap((place): readonly (State | 'rest')[] => {
          const states = statesOf(place.signals)
          return states.length > 0 ? states : ['rest']
        })
      return { use, count, states: counted(states, (state) => state) }
    }),
    alphas: counted(places, ({ alpha }) => alpha).toSorted(([a], [b]) => (b ?? -1) - (a ?? -1)),
    files: new Set(places.map(({ path }) => path)).size,
    variables: counted(
      places.flatMap(({ variable }) => variable ?? []),
      (variable) => variable,
    ),
  }
}

function counted<T, K>(items: readonly T[], key: (item: T) => K): (readonly [K, number])[] {
  return [...countBy(items, key)].toSorted((a, b) => b[1] - a[1])
}

/** One color beside another. */
export interface Neighbour {
  readonly color: OpaqueKey
  /** ΔE00 */
  readonly distance: number
}

/** The nearest of the other colors of a site, nearest first. */
export function neighboursOf(ledger: Ledger, color: OpaqueKey, most: number): Neighbour[] {
  return byDistance(ledger, labsOf(ledger), color)
    .filter((each) => each.color !== color)
    .slice(0, most)
}

/** The color of a site that is nearest to one, which may be that very one; null: the site has none. @param labs of the ledger's colors, made once for many questions */
export function nearestTo(ledger: Ledger, labs: readonly (Lab | null)[], color: OpaqueKey): Neighbour | null {
  return byDistance(ledger, labs, color)[0] ?? null
}

function byDistance(ledger: Ledger, labs: readonly (Lab | null)[], color: OpaqueKey): Neighbour[] {
  const distances = distancesTo(color, labs)
  return ledger.columns.color.values
    .map((each, code): Neighbour => ({ color: each, distance: distances[code] as number }))
    .filter(({ distance }) => Number.isFinite(distance))
    .toSorted((a, b) => a.distance - b.distance || (a.color < b.color ? -1 : 1))
}
