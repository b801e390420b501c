import Color from 'colorjs.io'
import { blend } from 'culori'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { composite } from '../color/composite.ts'
import { parseColor, parseLiteral } from '../color/literal.ts'
import type { Decision } from '../plan/decision.ts'
import { resolver } from '../plan/outcome.ts'
import type { Written } from './notation.ts'
import { rewritePaint } from './paint.ts'

const written = (raw: string): Written => {
  const literal = parseLiteral(raw)
  return { raw, alpha: literal?.color.alpha ?? 1, notation: literal?.notation ?? 'name' }
}
const paint = (raw: string, alpha: number | null) => rewritePaint(written(raw), parseColor('#0b6e74') as never, alpha)

describe('a literal written with another alpha', () => {
  it.each<[string, number | null, string, boolean]>([
    ['#7a2433', 0.5, '#0b6e7480', true],
    ['#FFF', 0.4, '#0B6E7466', true],
    ['#7a243380', 1, '#0b6e74', true],
    ['#fff8', null, '#0b6e7488', true],
    ['#fff8', 0, '#0b6e7400', true],
    ['red', 0.5, '#0b6e7480', false],
    ['red', 1, '#0b6e74', false],
    ['rgb(1, 2, 3)', 0.4, 'rgba(11, 110, 116, 0.4)', true],
    ['RGBA( 1,2 ,3,.50 )', 0.25, 'RGBA( 11,110 ,116,0.25 )', true],
    ['rgb(1 2 3 / 50%)', 0.4, 'rgb(11 110 116 / 0.4)', true],
    ['hsl(350 56% 30%)', 0.4, 'hsl(183.4 82.7% 24.9% / 0.4)', true],
    ['hsla(350, 56%, 30%, .1)', 1, 'hsla(183.4, 82.7%, 24.9%, 1)', true],
  ])('%s at %s is %s', (raw, alpha, text, kept) => expect(paint(raw, alpha)).toEqual({ text, kept }))

  it('reads back to that alpha, in a second colour library too', () => {
    const random = seeded(3)
    for (const raw of [
      '#abc',
      '#abcd',
      '#aabbcc',
      '#aabbccdd',
      'tan',
      'rgb(1,2,3)',
      'lab(30 20 10)',
      'oklch(.3 10% 10deg / .4)',
      'color(srgb .1 .2 .3)',
    ])
      for (let round = 0; round < 40; round++) {
        const alpha = Math.round(random() * 255) / 255
        const { text } = paint(raw, alpha)
        expect(new Color(text).alpha, text).toBeCloseTo(alpha, 3)
        expect(parseColor(text)?.alpha).toBeCloseTo(alpha, 3)
      }
  })
})

describe('the solid that an overlay shows', () => {
  it('is what a general-purpose library composes, in gamma-encoded sRGB', () => {
    const random = seeded(4)
    const color = (alpha: number) => ({ r: random(), g: random(), b: random(), alpha })
    for (let round = 0; round < 200; round++) {
      const [over, ground] = [color(random()), color(1)]
      const theirs = blend(
        [
          { mode: 'rgb', ...ground },
          { mode: 'rgb', ...over },
        ],
        'normal',
        'rgb',
      ) as {
        r: number
        g: number
        b: number
      }
      const ours = composite(over, ground)
      for (const channel of ['r', 'g', 'b'] as const) expect(ours[channel]).toBeCloseTo(theirs[channel], 9)
    }
  })

  it('is taken of each strength by itself, on a role', () => {
    const decision: Decision = {
      id: 'd',
      target: { colors: ['#000000'] },
      to: { kind: 'color', color: '#000' },
      over: { role: 'w' },
    }
    const plan = resolver([decision], [{ id: 'w', name: 'w', color: '#fff' }])
    const of = (alpha: number | null) => plan.outcome({ color: '#000000', use: 'ground', alpha })
    expect(of(0.6)).toMatchObject({ color: { r: 0.4, g: 0.4, b: 0.4 }, alpha: 1 })
    expect(of(0)).toMatchObject({ color: { r: 1, g: 1, b: 1 }, alpha: 1 })
    // Of a variable alpha nobody knows what it shows.
    expect(of(null)).toMatchObject({ color: { r: 0, g: 0, b: 0 }, alpha: null })
    expect(resolver([decision], []).outcome({ color: '#000000', use: 'ground', alpha: 0.6 }).kind).toBe('role-gone')
  })
})
