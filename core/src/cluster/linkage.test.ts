import { agnes } from 'ml-hclust'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import type { OpaqueKey } from '../color/color.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { clusterCounts, clustersAt } from './clusters.ts'
import { cut, link } from './linkage.ts'

const lab = (key: OpaqueKey) => labOf(parseColor(key) as never)
const distance = (a: OpaqueKey, b: OpaqueKey) => Math.round(deltaE2000(lab(a), lab(b)) * 1e6) / 1e6

/** Colors in clouds, as sites have them: some tight, some loose. */
function clouds(seed: number, count: number): OpaqueKey[] {
  const random = seeded(seed)
  const byte = (v: number) =>
    Math.round(Math.min(255, Math.max(0, v)))
      .toString(16)
      .padStart(2, '0')
  const centers = Array.from({ length: Math.ceil(count / 8) }, () => [random() * 255, random() * 255, random() * 255])
  return Array.from({ length: count }, () => {
    const center = centers[Math.floor(random() * centers.length)] as number[]
    const spread = random() * 24
    return `#${center.map((v) => byte(v + (random() - 0.5) * spread)).join('')}`
  })
}

/** Complete linkage by its definition: merge the two clusters whose farthest members are nearest, until that is too far. */
function byDefinition(keys: readonly OpaqueKey[], tolerance: number): OpaqueKey[][] {
  const groups = [...new Set(keys)].toSorted().map((key) => [key])
  const farthest = (a: OpaqueKey[], b: OpaqueKey[]) => Math.max(...a.flatMap((x) => b.map((y) => distance(x, y))))
  for (;;) {
    let best: { i: number; j: number; d: number } | null = null
    for (let i = 0; i < groups.length; i++)
      for (let j = i + 1; j < groups.length; j++) {
        const d = farthest(groups[i] as OpaqueKey[], groups[j] as OpaqueKey[])
        if (d <= tolerance && (best === null || d < best.d)) best = { i, j, d }
      }
    if (!best) return groups
    groups[best.i] = [...(groups[best.i] as OpaqueKey[]), ...(groups[best.j] as OpaqueKey[])].toSorted()
    groups.splice(best.j, 1)
  }
}

/** A partition, in whatever order it comes. */
const shape = (groups: readonly (readonly OpaqueKey[])[]) =>
  groups.map((group) => group.toSorted().join(' ')).toSorted()

describe('clusters', () => {
  it.each([1, 2, 3])('no two members differ by more than the tolerance (seed %i)', (seed) => {
    const linkage = link(clouds(seed, 160))
    for (const tolerance of [0.5, 1, 2, 5, 8]) {
      const groups = cut(linkage, tolerance)
      expect(groups.flat()).toHaveLength(linkage.leaves.length)
      for (const group of groups)
        for (const a of group) for (const b of group) expect(distance(a, b)).toBeLessThanOrEqual(tolerance)
    }
  })

  it.each([11, 12, 13])('are those of a general-purpose library at random cuts (ml-hclust, seed %i)', (seed) => {
    const keys = [...new Set(clouds(seed, 150))].toSorted()
    const random = seeded(seed)
    const theirs = agnes(
      keys.map((a) => keys.map((b) => distance(a, b))),
      { method: 'complete', isDistanceMatrix: true },
    )
    const ours = link(keys)
    for (let round = 0; round < 20; round++) {
      const tolerance = random() * 8
      const groups = theirs.cut(tolerance).map((group) => group.indices().map((at) => keys[at] as OpaqueKey))
      expect(shape(cut(ours, tolerance))).toEqual(shape(groups))
      expect(groups.length).toBeLessThan(keys.length + 1)
    }
  })

  it.each([4, 5])('are those of complete linkage by its definition (seed %i)', (seed) => {
    const keys = clouds(seed, 48)
    for (const tolerance of [1, 2, 5])
      expect(shape(cut(link(keys), tolerance))).toEqual(shape(byDefinition(keys, tolerance)))
  })

  it('nest: a smaller tolerance only splits', () => {
    const linkage = link(clouds(6, 200))
    const large = new Map(cut(linkage, 5).flatMap((group, i) => group.map((key) => [key, i] as const)))
    for (const group of cut(linkage, 2)) expect(new Set(group.map((key) => large.get(key))).size).toBe(1)
    expect(cut(linkage, 2).length).toBeGreaterThan(cut(linkage, 5).length)
  })

  it('do not depend on the order of the colors', () => {
    const keys = clouds(7, 120)
    expect(link(keys.toReversed())).toEqual(link(keys))
  })

  it('put the most used member in front, the most used cluster first', () => {
    const counts = new Map([
      ['#7a2433', 5],
      ['#7a2434', 9],
      ['#ffffff', 11],
      ['#000000', 11],
    ])
    expect(clustersAt(link(counts.keys()), 2, counts)).toEqual([
      { lead: '#7a2434', members: ['#7a2434', '#7a2433'], count: 14, byHand: false },
      { lead: '#000000', members: ['#000000'], count: 11, byHand: false },
      { lead: '#ffffff', members: ['#ffffff'], count: 11, byHand: false },
    ])
  })

  it('put together by hand stay so at every tolerance, and a chosen member stands for its cluster', () => {
    const counts = new Map([
      ['#7a2433', 5],
      ['#7a2434', 9],
      ['#7a2435', 1],
      ['#ffffff', 11],
      ['#000000', 2],
    ])
    const linkage = link(counts.keys())
    const byHand = { groups: [['#7a2434'], ['#ffffff', '#000000'], ['#123456']], leads: ['#7a2435', '#000000'] }
    for (const tolerance of [0, 2, 8]) {
      const clusters = clustersAt(linkage, tolerance, counts, byHand)
      expect(clusters.slice(0, 2)).toEqual([
        { lead: '#000000', members: ['#000000', '#ffffff'], count: 13, byHand: true },
        { lead: '#7a2434', members: ['#7a2434'], count: 9, byHand: true },
      ])
      expect(clusterCounts(linkage, [tolerance], byHand)).toEqual([clusters.length])
    }
    expect(clustersAt(linkage, 2, counts, byHand)[2]).toEqual({
      ...{ lead: '#7a2435', members: ['#7a2435', '#7a2433'], count: 6, byHand: false },
    })
  })

  it('are as many at each tolerance as the curve says', () => {
    const keys = clouds(9, 200)
    const linkage = link(keys)
    const counts = new Map(keys.map((key) => [key, 1]))
    const tolerances = Array.from({ length: 81 }, (_, i) => i / 10)
    const byHand = { groups: [keys.slice(0, 3), keys.slice(40, 41)], leads: [] }
    for (const hand of [undefined, byHand])
      expect(clusterCounts(linkage, tolerances, hand)).toEqual(
        tolerances.map((tolerance) => clustersAt(linkage, tolerance, counts, hand).length),
      )
  })

  it('tell grounds apart that are one as anything else: near-whites on white, near-blacks on black', () => {
    const keys = ['#ffffff', '#fafafa', '#f8f9fa', '#fdfdfd', '#000000', '#0a0a0a']
    const counts = new Map(keys.map((key) => [key, 1]))
    const told = (grounds: string[]) =>
      clustersAt(link(keys, new Set(grounds)), 2, counts)
        .map(({ members }) => members.toSorted().join(' '))
        .toSorted()
    expect(told([])).toEqual(['#000000 #0a0a0a', '#f8f9fa #fafafa #fdfdfd #ffffff'])
    expect(told(keys)).toEqual(['#000000', '#0a0a0a', '#f8f9fa', '#fafafa', '#fdfdfd #ffffff'])
    // A text of nearly the color of a ground is one with it.
    expect(told(['#ffffff'])).toEqual(told([]))
  })

  it('of nothing are none', () => expect(clustersAt(link([]), 2, new Map())).toEqual([]))
})
