import type { OpaqueKey } from '../color/color.ts'
import { labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { nearPairs, type Pairs, sortedBy, UNIT } from './pairs.ts'

/** Beyond this ΔE00 no two colors are ever one to an eye: pairs further apart are not kept. */
export const LARGEST_TOLERANCE = 8

/** One merge: `a` and `b` index leaves, each standing for the cluster that holds it at that height. */
export interface Merge {
  readonly a: number
  readonly b: number
  /** The largest ΔE00 between two members of the merged cluster. */
  readonly height: number
}

/** The tree of all clusters up to LARGEST_TOLERANCE: leaves in the order of their keys, merges by rising height. */
export interface Linkage {
  readonly leaves: readonly OpaqueKey[]
  readonly merges: readonly Merge[]
}

/**
 * Agglomerative clustering with complete linkage on CIEDE2000. Pairs are taken by rising distance; two clusters merge when the
 * last of the pairs between them has been seen, which is when their farthest members come within that distance: complete
 * linkage without a priority queue. Sorted keys and rounded distances make the result independent of the input's order.
 * Pairs far apart are told by a bound, not by the formula; O(p) in those within the largest tolerance.
 */
export function link(keys: Iterable<OpaqueKey>): Linkage {
  const leaves = [...new Set(keys)].toSorted()
  const pairs = nearPairs(
    leaves.map((key) => labOf(parseColor(key) ?? { r: 0, g: 0, b: 0, alpha: 1 })),
    LARGEST_TOLERANCE,
  )
  return { leaves, merges: mergesOf(leaves.length, pairs) }
}

function mergesOf(count: number, { i: firsts, j: seconds, distance }: Pairs): Merge[] {
  const clusterOf = Uint32Array.from({ length: count }, (_, i) => i)
  const members = Array.from({ length: count }, (_, i) => [i])
  /** For each cluster: how many of the pairs to another cluster have been seen. */
  const seen: (Map<number, number> | undefined)[] = []
  const setBoth = (a: number, b: number, pairs: number) => {
    for (const [one, other] of [[a, b] as const, [b, a] as const]) {
      const own = seen[one]
      if (own) own.set(other, pairs)
      else seen[one] = new Map([[other, pairs]])
    }
  }
  const size = (cluster: number) => (members[cluster] as number[]).length
  const merges: Merge[] = []
  for (const at of sortedBy(distance)) {
    const a = clusterOf[firsts[at] as number] as number
    const b = clusterOf[seconds[at] as number] as number
    const known = (seen[a]?.get(b) ?? 0) + 1
    if (known < size(a) * size(b)) {
      setBoth(a, b, known)
      continue
    }
    merges.push({ a: Math.min(a, b), b: Math.max(a, b), height: (distance[at] as number) / UNIT })
    const [kept, gone] = size(a) >= size(b) ? [a, b] : [b, a]
    for (const leaf of members[gone] as number[]) clusterOf[leaf] = kept
    members[kept] = [...(members[kept] as number[]), ...(members[gone] as number[])]
    for (const [other, pairs] of seen[gone] ?? []) {
      seen[other]?.delete(gone)
      if (other !== kept) setBoth(kept, other, pairs + (seen[kept]?.get(other) ?? 0))
    }
    seen[kept]?.delete(gone)
  }
  return merges
}

/** The partition at one tolerance (ΔE00, at most LARGEST_TOLERANCE): each group sorted by key. Linear in the leaves. */
export function cut(linkage: Linkage, tolerance: number): OpaqueKey[][] {
  const parent = linkage.leaves.map((_, i) => i)
  const find = (leaf: number): number => {
    let root = leaf
    while (parent[root] !== root) root = parent[root] as number
    for (let at = leaf; at !== root; ) {
      const next = parent[at] as number
      parent[at] = root
      at = next
    }
    return root
  }
  for (const { a, b, height } of linkage.merges) if (height <= tolerance) parent[find(b)] = find(a)
  const groups = new Map<number, OpaqueKey[]>()
  linkage.leaves.forEach((key, leaf) => {
    const group = groups.get(find(leaf))
    if (group) group.push(key)
    else groups.set(find(leaf), [key])
  })
  return [...groups.values()]
}
