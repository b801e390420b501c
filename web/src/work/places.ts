import type { Audit, Snapshot } from '@undo-ink/contracts'
import {
  type Behavior,
  type Computed,
  type Keyword,
  type Ledger,
  type LedgerPlace,
  type PlacedFinding,
  placeAt,
} from '@undo-ink/core'

/** A place of the ledger with the id of its file. */
export interface PlaceOf extends LedgerPlace {
  readonly fileId: string
}

/** All places of a site, by file and position. */
export function placesOf(ledger: Ledger, snapshot: Snapshot): PlaceOf[] {
  const ids = new Map(snapshot.files.map(({ path, id }) => [path, id]))
  return Array.from({ length: ledger.length }, (_, index) => {
    const place = placeAt(ledger, index)
    return { ...place, fileId: ids.get(place.path) ?? '' }
  })
}

export type InFile<T> = T & { readonly path: string }

/** A place that takes another color than one written there: a keyword, or a function of variables. */
export type Taking = InFile<Keyword | Computed>

/** What is listed apart from the places. */
export interface Apart {
  readonly taking: readonly Taking[]
  readonly behaviors: readonly InFile<Behavior>[]
  readonly findings: readonly InFile<PlacedFinding>[]
}

/** What takes another color, what scripts do, and findings in the received texts. */
export function apartOf({ readings }: Audit): Apart {
  return {
    behaviors: readings.flatMap(({ path, behaviors }) => behaviors.map((behavior) => ({ ...behavior, path }))),
    taking: readings.flatMap(({ path, keywords, computed }) =>
      [...keywords, ...computed].map((each) => ({ ...each, path })),
    ),
    findings: readings.flatMap(({ path, findings }) => findings.map((finding) => ({ ...finding, path }))),
  }
}

export function countBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, number> {
  const counts = new Map<K, number>()
  for (const item of items) counts.set(key(item), (counts.get(key(item)) ?? 0) + 1)
  return counts
}

export function groupBy<T, K>(items: Iterable<T>, key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) {
    const group = groups.get(key(item))
    if (group) group.push(item)
    else groups.set(key(item), [item])
  }
  return groups
}
