import { deltaE2000, type Lab } from '../color/difference.ts'

/** Pairs of colors no further apart than a distance: `i` < `j` index the colors, by rising `i`, then `j`. */
export interface Pairs {
  readonly i: Uint32Array
  readonly j: Uint32Array
  /** ΔE00 in millionths, rounded. */
  readonly distance: Uint32Array
}

/** Millionths of ΔE00. */
export const UNIT = 1e6

/** The largest SL of CIEDE2000, that of black or white, rounded up: colors that are further apart in L than that many times a distance are further apart than it. */
const LARGEST_SL = 1.75

/**
 * All pairs within a distance (ΔE00), by the formula; those too far apart in lightness are passed over.
 * @param labs by rising lightness
 * @param strict by color: 1 for those of which two are told apart more strictly: their distance counts `factor` times, which is at least 1
 */
export function nearPairs(labs: readonly Lab[], within: number, strict?: Uint8Array, factor = 1): Pairs {
  const [is, js, distances]: [number[], number[], number[]] = [[], [], []]
  labs.forEach((one, i) => {
    for (let j = i + 1; j < labs.length; j++) {
      const other = labs[j] as Lab
      if (other.l - one.l > within * LARGEST_SL) break
      const times = strict?.[i] === 1 && strict[j] === 1 ? factor : 1
      const distance = Math.round(deltaE2000(one, other) * times * UNIT)
      if (distance > within * UNIT) continue
      is.push(i)
      js.push(j)
      distances.push(distance)
    }
  })
  return { i: Uint32Array.from(is), j: Uint32Array.from(js), distance: Uint32Array.from(distances) }
}
