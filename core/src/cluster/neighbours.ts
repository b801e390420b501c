import type { Pairs } from './pairs.ts'

/** In place of a distance: out of reach. */
const FAR = 0xffffffff

/** The candidates of complete linkage: for each cluster the others whose farthest member is within the tolerance. A cluster is named by the least of its leaves. */
export class Neighbours {
  /** Where the row of each cluster starts in the columns below, and ends. */
  private readonly starts: Uint32Array
  private readonly ends: Uint32Array
  /** By rising index in every row. */
  private readonly others: Uint32Array
  private readonly distances: Uint32Array
  /** 1 for each that has become a part of another; rows may still name it. */
  private readonly gone: Uint8Array

  constructor(count: number, { i, j, distance }: Pairs) {
    this.gone = new Uint8Array(count)
    this.starts = new Uint32Array(count)
    for (const column of [i, j]) for (const leaf of column) this.starts[leaf] = (this.starts[leaf] as number) + 1
    let start = 0
    for (let leaf = 0; leaf < count; leaf++) {
      const length = this.starts[leaf] as number
      this.starts[leaf] = start
      start += length
    }
    this.ends = this.starts.slice()
    this.others = new Uint32Array(2 * i.length)
    this.distances = new Uint32Array(2 * i.length)
    // Pairs come in the order of i, then j, so that each row rises: first those before it, then those after.
    for (let at = 0; at < i.length; at++) {
      this.append(i[at] as number, j[at] as number, distance[at] as number)
      this.append(j[at] as number, i[at] as number, distance[at] as number)
    }
  }

  private append(cluster: number, other: number, distance: number): void {
    const end = this.ends[cluster] as number
    this.others[end] = other
    this.distances[end] = distance
    this.ends[cluster] = end + 1
  }

  /** The nearest of all, of equals the preferred one, then the first of its row; none: undefined. */
  nearestTo(cluster: number, preferred?: number): { nearest: number | undefined; distance: number } {
    let nearest: number | undefined
    let least = FAR
    const start = this.starts[cluster] as number
    const end = this.ends[cluster] as number
    this.ends[cluster] = start
    for (let at = start; at < end; at++) {
      const distance = this.distances[at] as number
      const other = this.others[at] as number
      if (distance === FAR || this.gone[other]) continue
      this.append(cluster, other, distance)
      if (distance < least || (distance === least && other === preferred)) {
        nearest = other
        least = distance
      }
    }
    return { nearest, distance: least }
  }

  /** Makes `part` a part of `whole`: what is near to both stays, as far as the farther. */
  merge(whole: number, part: number): void {
    this.gone[part] = 1
    let p = this.starts[whole] as number
    let q = this.starts[part] as number
    const endP = this.ends[whole] as number
    const endQ = this.ends[part] as number
    this.ends[whole] = p
    for (; p < endP; p++) {
      const other = this.others[p] as number
      const distance = this.distances[p] as number
      if (distance === FAR || this.gone[other]) continue
      while (q < endQ && (this.others[q] as number) < other) q++
      const farther = this.others[q] === other && q < endQ ? Math.max(distance, this.distances[q] as number) : FAR
      if (farther !== FAR) this.append(whole, other, farther)
      if (farther !== distance) this.setDistance(other, whole, farther)
    }
  }

  private setDistance(cluster: number, other: number, distance: number): void {
    let [low, high] = [this.starts[cluster] as number, (this.ends[cluster] as number) - 1]
    while (low < high) {
      const middle = (low + high) >>> 1
      if ((this.others[middle] as number) < other) low = middle + 1
      else high = middle
    }
    this.distances[low] = distance
  }
}
