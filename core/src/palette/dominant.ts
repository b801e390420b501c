import { toHex } from '../color/color.ts'
import { deltaE2000, type Lab, labOf } from '../color/difference.ts'

/** One of the main colors of an image. */
export interface Dominant {
  /** The commonest of the pixels that are near it: a logo's very color, no mean of it and its edges. */
  readonly color: string
  /** Of all pixels that are painted, 0 to 1. */
  readonly share: number
}

/** ΔE00 within which pixels are of one color. */
const NEAR = 10
/** Main colors that are told, and the share of the painted pixels below which nothing is one. */
const MOST = 12
const LEAST_SHARE = 0.005
/** Pixels that are looked at: of more, every so many-th. */
const MOST_PIXELS = 400_000
/** Bits of each channel in which near pixels are taken together before they are compared. */
const BITS = 5

interface Bin {
  count: number
  /** The commonest pixel of it so far, and how often each is. */
  readonly pixels: Map<number, number>
}

/**
 * The main colors of an image, the largest first: pixels are counted, and gathered (CIELAB, ΔE00) around the commonest that is not near one before.
 * @param data RGBA, as of an ImageData; pixels that are mostly see-through paint nothing
 */
export function dominantColors(data: Uint8ClampedArray): Dominant[] {
  const bins = binsOf(data)
  const all = [...bins.values()].map(({ count, pixels }) => {
    const pixel = commonest(pixels)
    return { count, pixels, pixel, lab: labOf(colorOf(pixel)) }
  })
  all.sort((a, b) => b.count - a.count || a.pixel - b.pixel)
  const painted = all.reduce((sum, { count }) => sum + count, 0)
  const groups: { lab: Lab; count: number; pixels: Map<number, number> }[] = []
  for (const { count, pixels, lab } of all) {
    const near = nearest(groups, lab)
    if (near) {
      near.count += count
      for (const [pixel, times] of pixels) near.pixels.set(pixel, (near.pixels.get(pixel) ?? 0) + times)
    } else if (groups.length < MOST * 4) groups.push({ lab, count, pixels: new Map(pixels) })
  }
  return groups
    .toSorted((a, b) => b.count - a.count)
    .filter(({ count }) => count >= painted * LEAST_SHARE)
    .slice(0, MOST)
    .map(({ count, pixels }) => ({ color: toHex(colorOf(commonest(pixels))), share: count / painted }))
}

function binsOf(data: Uint8ClampedArray): Map<number, Bin> {
  const stride = Math.max(1, Math.ceil(data.length / 4 / MOST_PIXELS))
  const bins = new Map<number, Bin>()
  for (let at = 0; at < data.length; at += 4 * stride) {
    if ((data[at + 3] as number) < 128) continue
    const [r, g, b] = [data[at] as number, data[at + 1] as number, data[at + 2] as number]
    const pixel = (r << 16) | (g << 8) | b
    const key = ((r >> (8 - BITS)) << (2 * BITS)) | ((g >> (8 - BITS)) << BITS) | (b >> (8 - BITS))
    const bin = bins.get(key) ?? { count: 0, pixels: new Map<number, number>() }
    bin.count++
    bin.pixels.set(pixel, (bin.pixels.get(pixel) ?? 0) + 1)
    bins.set(key, bin)
  }
  return bins
}

function nearest<G extends { readonly lab: Lab }>(groups: readonly G[], lab: Lab): G | null {
  let best: { group: G; distance: number } | null = null
  for (const group of groups) {
    const distance = deltaE2000(group.lab, lab)
    if (distance <= NEAR && (best === null || distance < best.distance)) best = { group, distance }
  }
  return best?.group ?? null
}

/** Of as many, the darkest: the same whatever the order. */
function commonest(pixels: ReadonlyMap<number, number>): number {
  let [best, most] = [0, 0]
  for (const [pixel, times] of pixels)
    if (times > most || (times === most && pixel < best)) [best, most] = [pixel, times]
  return best
}

function colorOf(pixel: number) {
  return { r: (pixel >> 16) / 255, g: ((pixel >> 8) & 255) / 255, b: (pixel & 255) / 255, alpha: 1 }
}
