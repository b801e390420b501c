import { type Color, LARGEST_TOLERANCE, type Lab, type Linkage, labOf, type Merge, parseColor } from '@undo-ink/core'

/** In place of the distance of a cluster that is none any more. */
const GONE = 0xffffffff
/** Distances are whole millionths. */
const UNIT = 1e6

/** A color difference, with the colors as it takes them. */
export interface Formula<T> {
  pointOf(lab: Lab): T
  difference(x: T, y: T): number
}

/**
 * Complete linkage by the plain method: the formula for every pair, all distances in one table, and over its whole rows chains of nearest neighbours
 * (Murtagh 1983). Core's `link` must come to the same partitions, and sooner. Takes 4 bytes for each from each.
 */
export function plainLinkage<T>(keys: Iterable<string>, { pointOf, difference }: Formula<T>): Linkage {
  const sorted = [...new Set(keys)]
    .map((key) => ({ key, lab: labOf(parseColor(key) as Color) }))
    .toSorted((x, y) => x.lab.l - y.lab.l || (x.key < y.key ? -1 : 1))
  const table = tableOf(
    sorted.map(({ lab }) => pointOf(lab)),
    difference,
  )
  return { leaves: sorted.map(({ key }) => key), merges: mergesOf(table) }
}

/** The distance of each from each, rounded to a millionth; of each from itself none. */
function tableOf<T>(points: readonly T[], difference: (x: T, y: T) => number): Uint32Array[] {
  const table = points.map(() => new Uint32Array(points.length).fill(GONE))
  points.forEach((x, i) => {
    for (let j = i + 1; j < points.length; j++) {
      const distance = Math.round(difference(x, points[j] as T) * UNIT)
      ;(table[i] as Uint32Array)[j] = distance
      ;(table[j] as Uint32Array)[i] = distance
    }
  })
  return table
}

function mergesOf(table: readonly Uint32Array[]): Merge[] {
  const merges: Merge[] = []
  for (let first = 0; first < table.length; first++) {
    const chain = [first]
    for (;;) {
      const last = chain.at(-1) as number
      const before = chain.at(-2)
      const row = table[last] as Uint32Array
      let nearest = before ?? 0
      for (let other = 0; other < row.length; other++)
        if ((row[other] as number) < (row[nearest] as number)) nearest = other
      const height = row[nearest] as number
      if (height > LARGEST_TOLERANCE * UNIT) break
      if (nearest !== before) {
        chain.push(nearest)
        continue
      }
      const [a, b] = nearest < last ? [nearest, last] : [last, nearest]
      mergeRows(table, a, b)
      merges.push({ a, b, height: height / UNIT })
      chain.length -= 2
      if (chain.length === 0) chain.push(a)
    }
  }
  return merges.toSorted((x, y) => x.height - y.height)
}

/** The farther of two distances is that of the merged cluster; the part is gone. */
function mergeRows(table: readonly Uint32Array[], whole: number, part: number): void {
  const [row, other] = [table[whole] as Uint32Array, table[part] as Uint32Array]
  for (let at = 0; at < row.length; at++) {
    const farther = Math.max(row[at] as number, other[at] as number)
    row[at] = farther
    ;(table[at] as Uint32Array)[whole] = farther
    ;(table[at] as Uint32Array)[part] = GONE
  }
  other.fill(GONE)
}
