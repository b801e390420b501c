import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { opaqueKey } from './color.ts'
import { parseColor, parseLiteral } from './literal.ts'

/** Examples of CSS Color 4 (sections in brackets) with the sRGB that the specification gives for them or that they equal by its words. */
const EXAMPLES: readonly (readonly [string, string, number])[] = [
  ['#00ff00', '#00ff00', 1], // §5.2
  ['#0000ffcc', '#0000ff', 0.8], // §5.2
  ['#123', '#112233', 1], // §5.2
  ['#00ff', '#0000ff', 1], // §5.2
  ['lime', '#00ff00', 1], // §6.1
  ['rgb(0 255 0)', '#00ff00', 1], // §5.1
  ['rgb(0% 100% 0%)', '#00ff00', 1], // §5.1
  ['rgba(0, 0, 255, 0.5)', '#0000ff', 0.5], // §5.1
  ['rgb(0 none 255 / none)', '#0000ff', 0], // §4.4
  ['rgb(300 -10 0)', '#ff0000', 1], // §5.1: clamped
  ['hsl(120deg 100% 25%)', '#008000', 1], // §7
  ['hsl(120 100% 50% / 50%)', '#00ff00', 0.5], // §7
  ['hsl(120, 100%, 50%)', '#00ff00', 1], // §7
  ['hsl(-240deg 100% 50%)', '#00ff00', 1], // §7: hues wrap
  ['hsl(.3333333turn 100% 50%)', '#00ff00', 1],
  ['hwb(120deg 0% 49.8039%)', '#008000', 1], // §8
  ['hwb(45 40% 80%)', '#555555', 1], // §8: an achromatic colour, white 1/3
  ['lab(46.2775% -47.5621 48.5837)', '#008000', 1], // §9.3, test cases of its section
  ['lab(0 0 0)', '#000000', 1],
  ['lab(100% 0 0)', '#ffffff', 1],
  ['lch(46.2775% 67.9892 134.3912)', '#008000', 1],
  ['oklab(51.975% -0.1403 0.10768)', '#008000', 1],
  ['oklch(51.975% 0.17686 142.495)', '#008000', 1],
  ['color(srgb 0 0.50196 0)', '#008000', 1], // §10.2
  ['color(srgb-linear 0 0.21586 0)', '#008000', 1], // §10.3
  ['color(display-p3 0.21604 0.49418 0.13151)', '#008000', 1], // §10.4
  ['color(a98-rgb 0.281363 0.498012 0.116746)', '#008000', 1], // §10.5
  ['color(prophoto-rgb 0.230479 0.395789 0.129968)', '#008000', 1], // §10.6
  ['color(rec2020 0.235202 0.431704 0.085432)', '#008000', 1], // §10.7
  ['color(xyz 0.07719 0.15438 0.02573)', '#008000', 1], // §10.8
  ['color(xyz-d50 0.08312 0.154746 0.020961)', '#008000', 1],
  ['rgb(calc(255 - 10) min(1, 2) 0 / calc(1 / 2))', '#f50100', 0.5], // CSS Values 4 §10
  ['hsl(calc(1turn / 3), 100%, calc(20% + 5%))', '#008000', 1],
]

describe('examples of CSS Color 4', () => {
  it.each(EXAMPLES)('%s is %s at %f', (text, key, alpha) => {
    const color = parseColor(text)
    expect(color && opaqueKey(color)).toBe(key)
    expect(color?.alpha).toBeCloseTo(alpha, 6)
  })
})

const INVALID = [
  '',
  'nosuchname',
  '#12345',
  '#ggg',
  '# fff',
  'transparent',
  'currentColor',
  'rgb(1, 2)',
  'rgb(1 2 3 4)',
  'rgb(1, 2 3)',
  'rgb(1%, 2, 3)',
  'rgb(1, 2, none)',
  'rgb(var(--x) 2 3)',
  'rgb(from red r g b)',
  'rgb(calc(var(--x) + 1) 2 3)',
  'rgb(calc(1px) 2 3)',
  'hsl(10%, 2%, 3%)',
  'hsl(1, 2, 3)',
  'hwb(1, 2%, 3%)',
  'lab(1, 2, 3)',
  'color(nosuch 1 2 3)',
  'color(srgb 1 2)',
  'red blue',
  'rgb(1 2 3',
  'rgb(1 2 3) x',
]

describe('what is no written-out color', () => {
  it.each(INVALID)('%j', (text) => expect(parseColor(text)).toBeNull())
})

describe('against a second colour library', () => {
  const random = seeded(20251125)
  const between = (low: number, high: number) => Number((low + random() * (high - low)).toFixed(3))
  const makers: readonly (() => string)[] = [
    () => `rgb(${between(0, 255)} ${between(0, 255)} ${between(0, 255)} / ${between(0, 1)})`,
    () => `rgba(${between(0, 100)}%, ${between(0, 100)}%, ${between(0, 100)}%, ${between(0, 1)})`,
    () => `hsl(${between(-360, 720)} ${between(0, 100)}% ${between(0, 100)}%)`,
    () => `hwb(${between(0, 360)} ${between(0, 50)}% ${between(0, 50)}%)`,
    () => `lab(${between(0, 100)} ${between(-80, 80)} ${between(-80, 80)})`,
    () => `lch(${between(0, 100)}% ${between(0, 90)} ${between(0, 360)})`,
    () => `oklab(${between(0, 1)} ${between(-0.3, 0.3)} ${between(-0.3, 0.3)})`,
    () => `oklch(${between(0, 100)}% ${between(0, 0.3)} ${between(0, 360)}deg)`,
    () => `color(display-p3 ${between(0, 1)} ${between(0, 1)} ${between(0, 1)})`,
    // Not rec2020: the other library has taken up its newer, pure 2.4 gamma; Chromium 156 paints the older curve, as this code reads it.
    () => `color(a98-rgb ${between(0, 1)} ${between(0, 1)} ${between(0, 1)})`,
    () => `color(prophoto-rgb ${between(0, 1)} ${between(0, 1)} ${between(0, 1)})`,
    () => `color(xyz-d50 ${between(0, 0.9)} ${between(0, 0.9)} ${between(0, 0.8)})`,
  ]

  it('reads 3,000 generated colors alike, to a thousandth', () => {
    let compared = 0
    for (let round = 0; round < 250; round++) {
      for (const make of makers) {
        const text = make()
        const ours = parseColor(text)
        const theirs = new Color(text).to('srgb')
        if (!ours) throw new Error(`${text} was not read`)
        // Legacy functions are clamped into sRGB, as the specification asks; the other library leaves that to its serializer.
        const clamp = (v: number) => (/^(?:rgb|hsl|hwb)/.test(text) ? Math.min(1, Math.max(0, v)) : v)
        const [r, g, b] = theirs.coords.map((v) => clamp(v ?? 0)) as [number, number, number]
        const far = Math.max(
          Math.abs(ours.r - r),
          Math.abs(ours.g - g),
          Math.abs(ours.b - b),
          Math.abs(ours.alpha - (theirs.alpha ?? 1)),
        )
        if (far > 0.001) throw new Error(`${text}: ${JSON.stringify(ours)} against ${r} ${g} ${b}`)
        compared++
      }
    }
    expect(compared).toBe(3000)
  })
})

describe('the channels of a literal', () => {
  it('are told with their place and unit', () => {
    const text = 'hsl( 0.5turn, 20% ,30%)'
    const channels = parseLiteral(text)?.channels
    expect(channels?.map(({ start, end, unit }) => [text.slice(start, end), unit])).toEqual([
      ['0.5turn', 'turn'],
      ['20%', 'percent'],
      ['30%', 'percent'],
    ])
  })

  it('keep a color outside sRGB apart from its clipped neighbour', () => {
    expect(opaqueKey(parseColor('color(display-p3 1 0 0)') as never)).toBe('color(srgb 1.0931 -0.2267 -0.1501)')
  })
})
