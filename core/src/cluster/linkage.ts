import { groupBy } from '../collect.ts'
import type { OpaqueKey } from '../color/color.ts'
import { labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { Neighbours } from './neighbours.ts'
import { nearPairs, type Pairs, UNIT } from './pairs.ts'

/** Beyond this ΔE00 no two colors are ever one to an eye: pairs further apart are not kept. */
export const LARGEST_TOLERANCE = 8

/**
 * How many times as far apart two colors count that are both used as grounds: side by side over large areas an eye tells a near-white from white
 * that it takes for one in text or a line (common practice, no source).
 */
export const GROUNDS_APART = 3

/** One merge: `a` and `b` index leaves, each standing for the cluster that holds it at that height. */
export interface Merge {
  readonly a: number
  readonly b: number
  /** The largest ΔE00 between two members of the merged cluster, that of two grounds taken GROUNDS_APART times. */
  readonly height: number
}

/** The tree of all clusters up to LARGEST_TOLERANCE: leaves by lightness, then key, merges by rising height. */
export interface Linkage {
  readonly leaves: readonly OpaqueKey[]
  readonly merges: readonly Merge[]
}

/**
 * Agglomerative clustering with complete linkage on CIEDE2000, by chains of nearest neighbours: from any cluster to its nearest, from that to its
 * nearest, until two are each other's nearest and merge. Complete linkage is reducible (a merged cluster is no nearer to a third than its nearer
 * part was), so the tree is that of always merging the nearest two, and the rest of the chain still holds.
 * Source: F. Murtagh, "A Survey of Recent Advances in Hierarchical Clustering Algorithms", The Computer Journal 26(4), 1983.
 * Sorted leaves and rounded distances make the result independent of the input's order.
 * @param grounds those that are used as grounds: they are more strictly told apart from one another
 */
export function link(keys: Iterable<OpaqueKey>, grounds: ReadonlySet<OpaqueKey> = NO_GROUNDS): Linkage {
  const sorted = [...new Set(keys)]
    .map((key) => ({ key, lab: labOf(parseColor(key) ?? { r: 0, g: 0, b: 0, alpha: 1 }) }))
    .toSorted((x, y) => x.lab.l - y.lab.l || (x.key < y.key ? -1 : 1))
  const pairs = nearPairs(
    sorted.map(({ lab }) => lab),
    LARGEST_TOLERANCE,
    Uint8Array.from(sorted, ({ key }) => (grounds.has(key) ? 1 : 0)),
    GROUNDS_APART,
  )
  return { leaves: sorted.map(({ key }) => key), merges: mergesOf(sorted.length, pairs) }
}

const NO_GROUNDS: ReadonlySet<OpaqueKey> = new Set()

function mergesOf(count: number, pairs: Pairs): Merge[] {
  const neighbours = new Neighbours(count, pairs)
  const merges: Merge[] = []
  for (let first = 0; first < count; first++) {
    const chain = [first]
    for (;;) {
      const last = chain.at(-1) as number
      const before = chain.at(-2)
      const { nearest, distance } = neighbours.nearestTo(last, before)
      if (nearest === undefined) break
      if (nearest !== before) {
        chain.push(nearest)
        continue
      }
      const [a, b] = nearest < last ? [nearest, last] : [last, nearest]
      neighbours.merge(a, b)
      merges.push({ a, b, height: distance / UNIT })
      chain.length -= 2
      // What has merged may merge again, though no chain need lead to it any more.
      if (chain.length === 0) chain.push(a)
    }
  }
  return merges.toSorted((x, y) => x.height - y.height)
}

/** The partition at one tolerance (ΔE00, at most LARGEST_TOLERANCE): groups and their members by lightness. Linear in the leaves. */
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
  const groups = groupBy(linkage.leaves.keys(), find)
  return Array.from(groups.values(), (leaves) => leaves.map((leaf) => linkage.leaves[leaf] as OpaqueKey))
}
