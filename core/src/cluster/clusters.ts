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

/** Colors that nobody could tell apart at a tolerance. */
export interface Cluster {
  /** The most used member; of equals the first key. */
  readonly lead: OpaqueKey
  /** By falling count, then key; the lead first. */
  readonly members: readonly OpaqueKey[]
  /** Occurrences of all members. */
  readonly count: number
}

/** The clusters at one tolerance, most used first, then by lead. */
export function clustersAt(linkage: Linkage, tolerance: number, counts: ReadonlyMap<OpaqueKey, number>): Cluster[] {
  const of = (key: OpaqueKey) => counts.get(key) ?? 0
  return cut(linkage, tolerance)
    .map((group): Cluster => {
      const members = group.toSorted((a, b) => of(b) - of(a) || (a < b ? -1 : 1))
      return { lead: members[0] as OpaqueKey, members, count: group.reduce((sum, key) => sum + of(key), 0) }
    })
    .toSorted((a, b) => b.count - a.count || (a.lead < b.lead ? -1 : 1))
}
