import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { to8Bit } from '../color/color.ts'
import { parseColor, parseLiteral } from '../color/literal.ts'
import { rewriteLiteral, type Written } from './notation.ts'

const written = (raw: string, alpha = 1): Written => ({ raw, alpha, notation: parseLiteral(raw)?.notation ?? 'name' })
const rewrite = (raw: string, to: string) => rewriteLiteral(written(raw), parseColor(to) as never)

describe('a literal written anew', () => {
  it.each<[string, string, string, boolean]>([
    ['#fff', '#0b6e74', '#0b6e74', true],
    ['#fff', '#112233', '#123', true],
    ['#FFF8', '#0b6e74', '#0B6E7488', true],
    ['#FFF8', '#112233', '#1238', true],
    ['#7A2433', '#0b6e74', '#0B6E74', true],
    ['#7a243380', '#0b6e74', '#0b6e7480', true],
    ['red', 'white', 'white', true],
    ['red', '#0b6e74', '#0b6e74', false],
    ['rgb(1, 2, 3)', '#0b6e74', 'rgb(11, 110, 116)', true],
    ['RGBA( 1,2 ,3,.50 )', '#0b6e74', 'RGBA( 11,110 ,116,.50 )', true],
    ['rgb(1 2 3 / 50%)', '#0b6e74', 'rgb(11 110 116 / 50%)', true],
    ['hsl(350deg 56% 30%)', 'white', 'hsl(0deg 0% 100%)', true],
    ['lch(30% 40 none)', '#0b6e74', 'lch(41.7% 27.3 204.2)', true],
    ['&#35;fff', '#0b6e74', '#0b6e74', false],
  ])('%s to %s is %s', (raw, to, text, kept) => expect(rewrite(raw, to)).toEqual({ text, kept }))

  it('keeps the alpha of a literal that only its place can read', () => {
    expect(rewriteLiteral(written('rgba&#40;0,0,0,.5)', 0.5), parseColor('#0b6e74') as never)).toEqual({
      text: '#0b6e7480',
      kept: false,
    })
  })
})

it('the filters of old browsers keep their alpha in front', () => {
  const literal = { raw: '#80FF0000', notation: 'argb', alpha: 128 / 255 } as const
  expect(rewriteLiteral(literal, parseColor('#0b6e74') as never)).toEqual({ text: '#800B6E74', kept: true })
})

/** One spelling of each notation and unit. */
const SPELLINGS = [
  '#abc',
  '#abcd',
  '#aabbcc',
  '#aabbccdd',
  'rgb(1,2,3)',
  'rgb(1%,2%,3%)',
  'rgba(1, 2, 3, .4)',
  'rgb(1 2 3 / 40%)',
  'hsl(10, 20%, 30%)',
  'hsla(10, 20%, 30%, .4)',
  'hsl(.1turn 20% 30% / .4)',
  'hsl(1rad 20 30)',
  'hsl(100grad 20% 30%)',
  'hwb(10 20% 30%)',
  'lab(30 20 10)',
  'lab(30% 20% 10% / .4)',
  'lch(30 20 10)',
  'lch(30% 20% 10deg)',
  'oklab(.3 .1 .1)',
  'oklab(30% 10% 10%)',
  'oklch(30% .1 10)',
  'oklch(.3 10% 10deg / .4)',
  'color(srgb .1 .2 .3)',
  'color(srgb 10% 20% 30% / .4)',
  'color(srgb-linear .1 .2 .3)',
  'color(display-p3 .1 .2 .3)',
  'color(a98-rgb .1 .2 .3)',
  'color(prophoto-rgb .1 .2 .3)',
  'color(xyz .1 .2 .3)',
  'color(xyz-d50 .1 .2 .3)',
]

it('reads back to the same 8-bit sRGB and alpha, in a second colour library too, in every notation', () => {
  const random = seeded(77)
  let compared = 0
  for (const raw of SPELLINGS) {
    for (let i = 0; i < 60; i++) {
      const to = `#${Array.from({ length: 3 }, () =>
        Math.floor(random() * 256)
          .toString(16)
          .padStart(2, '0'),
      ).join('')}`
      const { text, kept } = rewrite(raw, to)
      expect(kept, `${raw} to ${to}`).toBe(true)
      const read = new Color(text).to('srgb')
      const bytes = read.coords.map((v) => Math.round(Math.min(1, Math.max(0, v ?? 0)) * 255))
      const expected = to8Bit(parseColor(to) as never)
      // The last digit of a byte may be rounded the other way where two libraries differ by less than a thousandth of it.
      const off = Math.max(...bytes.map((byte, k) => Math.abs(byte - (expected[k] ?? 0))))
      expect(off, `${raw} to ${to} gave ${text}`).toBeLessThanOrEqual(0)
      expect(read.alpha).toBeCloseTo(new Color(raw).alpha as unknown as number, 9)
      compared++
    }
  }
  expect(compared).toBe(SPELLINGS.length * 60)
})

it('writes bare channels as channels, and leaves a variable alpha as it stands', () => {
  const to = parseColor('#0b6e74') as never
  const write = (raw: string, notation: Parameters<typeof rewriteLiteral>[0]['notation'], alpha: number | null) =>
    rewriteLiteral({ raw, notation, alpha }, to).text
  expect(write('13, 110, 253', 'rgb-channels', 1)).toBe('11, 110, 116')
  expect(write('222 47% 11%', 'hsl-channels', 1)).toBe('183.4 82.7% 24.9%')
  expect(write('rgba(1, 2, 3, var(--a))', 'rgba', null)).toBe('rgba(11, 110, 116, var(--a))')
  expect(write(`rgba(1, 2, 3, ' + a[0] + ')`, 'rgba', null)).toBe(`rgba(11, 110, 116, ' + a[0] + ')`)
  expect(write('HSL(1DEG 2% 3% / calc(1 - var(--a)))', 'hsl', null)).toBe(
    'HSL(183.4DEG 82.7% 24.9% / calc(1 - var(--a)))',
  )
})
