import type { OpaqueKey } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'

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
 * O(n²) distances, O(p log p) for the p pairs within the largest tolerance.
 */
export function link(keys: Iterable<OpaqueKey>): Linkage {
  const leaves = [...new Set(keys)].toSorted()
  const labs = leaves.map((key) => labOf(parseColor(key) ?? { r: 0, g: 0, b: 0, alpha: 1 }))
  const pairs: { i: number; j: number; distance: number }[] = []
  labs.forEach((x, i) => {
    for (let j = i + 1; j < labs.length; j++) {
      const distance = Math.round(deltaE2000(x, labs[j] as typeof x) * 1e6) / 1e6
      if (distance <= LARGEST_TOLERANCE) pairs.push({ i, j, distance })
    }
  })
  pairs.sort((p, q) => p.distance - q.distance || p.i - q.i || p.j - q.j)

  const clusterOf = leaves.map((_, i) => i)
  const members = leaves.map((_, i) => [i])
  /** For each cluster: how many of the pairs to another cluster have been seen. */
  const seen = leaves.map(() => new Map<number, number>())
  const merges: Merge[] = []
  for (const { i, j, distance } of pairs) {
    const a = clusterOf[i] as number
    const b = clusterOf[j] as number
    const count = ((seen[a] as Map<number, number>).get(b) ?? 0) + 1
    setBoth(seen, a, b, count)
    if (count < size(members, a) * size(members, b)) continue
    merges.push({ a: Math.min(a, b), b: Math.max(a, b), height: distance })
    const [kept, gone] = size(members, a) >= size(members, b) ? [a, b] : [b, a]
    for (const leaf of members[gone] as number[]) clusterOf[leaf] = kept
    members[kept] = [...(members[kept] as number[]), ...(members[gone] as number[])]
    for (const [other, pairsSeen] of seen[gone] as Map<number, number>) {
      seen[other]?.delete(gone)
      if (other !== kept) setBoth(seen, kept, other, pairsSeen + (seen[kept]?.get(other) ?? 0))
    }
  }
  return { leaves, merges }
}

function size(members: readonly (readonly number[])[], cluster: number): number {
  return members[cluster]?.length ?? 0
}

function setBoth(seen: Map<number, number>[], a: number, b: number, count: number): void {
  seen[a]?.set(b, count)
  seen[b]?.set(a, count)
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
