import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { deltaE2000, type Lab, labOf } from '../color/difference.ts'
import { fromSpace } from '../color/space.ts'
import { nearPairs, UNIT } from './pairs.ts'

/** Every pair, by the formula alone. */
function byFormula(labs: readonly Lab[], within: number): number[][] {
  return labs.flatMap((x, i) =>
    labs.slice(i + 1).flatMap((y, n) => {
      const distance = Math.round(deltaE2000(x, y) * UNIT)
      return distance <= within * UNIT ? [[i, i + 1 + n, distance]] : []
    }),
  )
}
const told = (labs: readonly Lab[], within: number) => {
  const { i, j, distance } = nearPairs(labs, within)
  return [...i].map((first, at) => [first, j[at], distance[at]])
}

describe('pairs that are near', () => {
  const random = seeded(11)
  const srgb = () => labOf({ r: random(), g: random(), b: random(), alpha: 1 })
  const around = (hue: number, chroma: number) =>
    labOf(fromSpace('oklch', [random(), chroma * random(), hue + 30 * random()], 1))
  it.each([
    ['of all of sRGB', () => srgb(), 900],
    ['of saturated blues, where the formula rotates', () => around(255, 0.3), 700],
    ['of greys and nearly greys', () => around(360 * random(), 0.02), 700],
    [
      'of colours beyond any screen',
      () => ({ l: 100 * random(), a: 800 * random() - 400, b: 800 * random() - 400 }),
      700,
    ],
    [
      'of opposite and of no hue',
      () => ({ l: 50, a: Math.round(6 * random() - 3), b: Math.round(2 * random() - 1) }),
      120,
    ],
  ] as [string, () => Lab, number][])('%s are those that the formula finds', (_, color, count) => {
    const labs = Array.from({ length: count }, color).toSorted((x, y) => x.l - y.l)
    for (const within of [8, 2.5]) expect(told(labs, within)).toEqual(byFormula(labs, within))
  })

  it('are none of nothing, and of one', () => {
    expect(told([], 8)).toEqual([])
    expect(told([{ l: 50, a: 0, b: 0 }], 8)).toEqual([])
  })
})
