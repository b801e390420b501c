import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { dominantColors } from './dominant.ts'

/** An image of pixels, each a hex value with its alpha, so many times. */
function image(...parts: readonly (readonly [string, number, number?])[]): Uint8ClampedArray {
  return Uint8ClampedArray.from(
    parts.flatMap(([hex, times, alpha = 255]) => {
      const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))
      return Array.from({ length: times }, () => [r ?? 0, g ?? 0, b ?? 0, alpha]).flat()
    }),
  )
}

describe('the main colours of an image', () => {
  it('are those that it is painted with, the largest first, with their shares', () => {
    expect(dominantColors(image(['#0b6e74', 600], ['#ffffff', 300], ['#d9822b', 100]))).toEqual([
      { color: '#0b6e74', share: 0.6 },
      { color: '#ffffff', share: 0.3 },
      { color: '#d9822b', share: 0.1 },
    ])
  })

  it('of known clusters with noise around them are their very centres, whatever the order of the pixels', () => {
    const random = seeded(23)
    const centres = ['#7a2433', '#e0a526', '#1d5f9e', '#f6f1e7']
    const near = (hex: string) =>
      `#${[1, 3, 5]
        .map((at) =>
          Math.min(255, Math.max(0, Number.parseInt(hex.slice(at, at + 2), 16) + Math.floor(random() * 9) - 4))
            .toString(16)
            .padStart(2, '0'),
        )
        .join('')}`
    const parts = centres.flatMap((hex, i) => [
      [hex, 400 - i * 80] as const,
      ...Array.from({ length: 300 }, () => [near(hex), 1] as const),
    ])
    const found = dominantColors(image(...parts)).map(({ color }) => color)
    expect(found).toEqual(centres)
    expect(dominantColors(image(...parts.toReversed())).map(({ color }) => color)).toEqual(centres)
  })

  it('are one of one colour, and none of nothing; what is see-through and what is a speck are left out', () => {
    expect(dominantColors(image(['#123456', 9]))).toEqual([{ color: '#123456', share: 1 }])
    expect(dominantColors(new Uint8ClampedArray())).toEqual([])
    expect(dominantColors(image(['#123456', 9, 0]))).toEqual([])
    expect(
      dominantColors(image(['#123456', 1000], ['#ff0000', 1], ['#00ff00', 50, 20])).map(({ color }) => color),
    ).toEqual(['#123456'])
  })

  it('of a million pixels of noise are told soon, and are at most twelve', () => {
    const random = seeded(5)
    const noise = Uint8ClampedArray.from({ length: 4_000_000 }, (_, i) => (i % 4 === 3 ? 255 : random() * 256))
    expect(dominantColors(noise).length).toBeLessThanOrEqual(12)
  })
})
