import type { OpaqueKey } from '../color/color.ts'
import { cut, type Linkage } from './linkage.ts'

/** A tolerance with a name: what an eye can tell (common practice, no source). */
export interface Tolerance {
  readonly name: 'just noticeable' | 'near' | 'similar'
  /** ΔE00 */
  readonly value: number
}

export const TOLERANCES: readonly Tolerance[] = [
  { name: 'just noticeable', value: 1 },
  { name: 'near', value: 2 },
  { name: 'similar', value: 5 },
]

/** What the contractor has decided of clusters themselves. */
export interface ByHand {
  /** Colors that are one cluster whatever the tolerance; none is in two. */
  readonly groups: readonly (readonly OpaqueKey[])[]
  /** Colors that stand for their clusters, the later before the earlier. */
  readonly leads: readonly OpaqueKey[]
}

export const NOTHING_BY_HAND: ByHand = { groups: [], leads: [] }

/** Colors that nobody could tell apart at a tolerance, or that were put together by hand. */
export interface Cluster {
  /** The most used member, of equals the first key; or the member that was chosen. */
  readonly lead: OpaqueKey
  /** The lead first, then by falling count, then key. */
  readonly members: readonly OpaqueKey[]
  /** Occurrences of all members. */
  readonly count: number
  /** Whether it was put together by hand, and stays so at every tolerance. */
  readonly byHand: boolean
}

/** The clusters at one tolerance, most used first, then by lead. */
export function clustersAt(
  linkage: Linkage,
  tolerance: number,
  counts: ReadonlyMap<OpaqueKey, number>,
  { groups, leads }: ByHand = NOTHING_BY_HAND,
): Cluster[] {
  const of = (key: OpaqueKey) => counts.get(key) ?? 0
  const held = new Set(groups.flat())
  const known = new Set(held.size > 0 ? linkage.leaves : [])
  const clusterOf =
    (byHand: boolean) =>
    (group: readonly OpaqueKey[]): Cluster[] => {
      const members = group.toSorted((a, b) => of(b) - of(a) || (a < b ? -1 : 1))
      const lead = leads.findLast((key) => group.includes(key)) ?? members[0]
      if (lead === undefined) return []
      const count = group.reduce((sum, key) => sum + of(key), 0)
      return [{ lead, members: [lead, ...members.filter((key) => key !== lead)], count, byHand }]
    }
  const free = cut(linkage, tolerance).map((group) => (held.size > 0 ? group.filter((key) => !held.has(key)) : group))
  return [
    ...free.flatMap(clusterOf(false)),
    ...groups.map((group) => group.filter((key) => known.has(key))).flatMap(clusterOf(true)),
  ].toSorted((a, b) => b.count - a.count || (a.lead < b.lead ? -1 : 1))
}

/** The number of clusters at each of some rising tolerances. Linear in the leaves and merges. */
export function clusterCounts(
  { leaves, merges }: Linkage,
  tolerances: readonly number[],
  { groups }: ByHand = NOTHING_BY_HAND,
): number[] {
  const held = new Set(groups.flat())
  const free = leaves.map((key) => !held.has(key))
  const parent = leaves.map((_, i) => i)
  const find = (leaf: number): number => {
    let root = leaf
    while (parent[root] !== root) root = parent[root] as number
    return root
  }
  const known = new Set(leaves)
  let clusters = free.filter(Boolean).length + groups.filter((group) => group.some((key) => known.has(key))).length
  let next = 0
  return tolerances.map((tolerance) => {
    for (let merge = merges[next]; merge && merge.height <= tolerance; merge = merges[++next]) {
      const [a, b] = [find(merge.a), find(merge.b)]
      parent[b] = a
      if (free[a] && free[b]) clusters--
      free[a] ||= free[b] as boolean
    }
    return clusters
  })
}
