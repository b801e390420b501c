import { ledgerOf, readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { SitePlaces } from '../../work/places.ts'
import { colorPoints, PLANES, radiusOf } from './color-points.ts'

const text =
  'a{color:#ff0000;background:#808080} b{color:red} c{color:color(display-p3 0 1 0)} d{color:#000} e{color:#fff}'
const reading = readSource({ path: 'a.css', text, encoding: 'utf-8' })
const places = new SitePlaces(ledgerOf([{ path: 'a.css', ...reading }]), { files: [] } as never)
const points = colorPoints(places)

describe('the colours where an eye would put them', () => {
  it('are all there, most used first', () => {
    expect(points.map(({ color, places: count }) => [color, count])).toEqual([
      ['#ff0000', 2],
      ['#000000', 1],
      ['#808080', 1],
      ['#ffffff', 1],
      [expect.stringMatching(/^color\(srgb/), 1],
    ])
  })

  it('stand inside both planes, greys at the edge of the hues', () => {
    for (const { x, y } of Object.values(PLANES))
      for (const point of points) {
        expect(x.of(point)).toBeGreaterThanOrEqual(x.min)
        expect(x.of(point)).toBeLessThanOrEqual(x.max + 1e-6)
        expect(y.of(point)).toBeGreaterThanOrEqual(y.min - 1e-6)
        expect(y.of(point)).toBeLessThanOrEqual(y.max + 0.04)
      }
    const hue = PLANES['hue and lightness'].x
    const at = (key: string) => hue.of(points.find(({ color }) => color === key) as never)
    expect([at('#808080'), at('#000000'), at('#ffffff')]).toEqual([-10, -10, -10])
    // OKLCH of sRGB red: hue 29.23 (CSS Color 4, sample code).
    expect(at('#ff0000')).toBeCloseTo(29.23, 1)
  })

  it('have areas that go with their places, and never vanish', () => {
    const area = (count: number) => radiusOf({ places: count } as never, 100) ** 2
    expect(area(100) / area(25)).toBeCloseTo(4, 5)
    expect(radiusOf({ places: 1 } as never, 1_000_000)).toBe(4)
  })
})
