import type { Cluster, Outcome, Role, Use } from '@undo-ink/core'
import { isDecided } from '@undo-ink/core'
import { countBy, groupBy, type PlaceOf } from './places.ts'

/** One part of what becomes of some places. */
export interface Share {
  readonly kind: 'open' | 'keep' | 'role'
  readonly role: Role | null
  readonly count: number
}

/** What becomes of some places, largest share first. */
export function sharesOf(places: readonly PlaceOf[], outcomes: readonly Outcome[]): Share[] {
  const groups = groupBy(places, ({ index }) => {
    const outcome = outcomes[index] as Outcome
    return outcome.kind === 'role' ? outcome.role.id : isDecided(outcome) ? '\0keep' : '\0open'
  })
  return [...groups.values()]
    .map((group): Share => {
      const outcome = outcomes[group[0]?.index ?? 0] as Outcome
      const kind = outcome.kind === 'role' || outcome.kind === 'keep' ? outcome.kind : 'open'
      return { kind, role: outcome.kind === 'role' ? outcome.role : null, count: group.length }
    })
    .toSorted((a, b) => b.count - a.count)
}

/** A cluster, or the part of one that has one use, with its places and what becomes of them. */
export interface Row {
  readonly key: string
  readonly cluster: Cluster
  /** null: all uses. */
  readonly use: Use | null
  readonly places: readonly PlaceOf[]
  readonly uses: readonly (readonly [Use, number])[]
  /** Number of ways in which it is written. */
  readonly spellings: number
  readonly shares: readonly Share[]
  readonly open: number
}

/** The rows of a chosen stretch of the bands; all of them where none is chosen. */
export function rowsIn(rows: readonly Row[], stretch: readonly string[] | null): readonly Row[] {
  return stretch === null ? rows : rows.filter(({ cluster }) => stretch.includes(cluster.lead))
}

/** The rows again, each that says the same as before as the same object, so that nothing of it is drawn anew. */
export function reuseRows(before: readonly Row[], now: readonly Row[]): Row[] {
  const known = new Map(before.map((row) => [row.key, row]))
  return now.map((row) => {
    const old = known.get(row.key)
    return old &&
      old.places.length === row.places.length &&
      old.cluster.members.join() === row.cluster.members.join() &&
      sameShares(old, row)
      ? old
      : row
  })
}

function sameShares(a: Row, b: Row): boolean {
  return (
    a.shares.length === b.shares.length &&
    a.shares.every(
      ({ kind, role, count }, i) =>
        kind === b.shares[i]?.kind && role === b.shares[i]?.role && count === b.shares[i]?.count,
    )
  )
}

export function rowOf(
  cluster: Cluster,
  use: Use | null,
  places: readonly PlaceOf[],
  outcomes: readonly Outcome[],
): Row {
  const shares = sharesOf(places, outcomes)
  return {
    key: use === null ? cluster.lead : `${cluster.lead} ${use}`,
    cluster,
    use,
    places,
    uses: [...countBy(places, (place) => place.use)].toSorted((a, b) => b[1] - a[1]),
    spellings: new Set(places.map(({ raw }) => raw)).size,
    shares,
    open: shares.find(({ kind }) => kind === 'open')?.count ?? 0,
  }
}
