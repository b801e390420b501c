import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { parseColor } from '../color/literal.ts'
import { turnedScheme, turningLead } from './turned.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const oklch = (text: string) => new Color(text).to('oklch').coords as number[]
const turn = (scheme: string[], to: string, held: string[] = []) =>
  turnedScheme(scheme, color(to), new Set(held))?.colors.map((each) => each.color) ?? null

describe('a scheme turned to another color', () => {
  const scheme = ['#ffffff', '#7a2433', '#943a4b', '#e0a526', '#8b949a', '#111111', '#f3dde1']
  const turned = turn(scheme, '#2e6f4e') ?? []

  it('gives the color that was asked for to its lead, and keeps greys', () => {
    expect(turningLead(scheme, new Set())).toBe('#7a2433')
    expect(turned[1]).toBe('#2e6f4e')
    expect([turned[0], turned[4], turned[5]]).toEqual(['#ffffff', '#8b949a', '#111111'])
  })

  it('keeps the order of lightness and the distances of hue, as a second library sees them', () => {
    const lightness = (colors: string[]) => [1, 2, 3, 6].map((i) => oklch(colors[i] ?? '')[0] ?? 0)
    const order = (values: number[]) => values.map((value) => values.filter((other) => other < value).length)
    expect(order(lightness(turned))).toEqual(order(lightness(scheme)))
    expect(lightness(turned)[3]).toBeGreaterThan(0.88)
    const apart = (a: string, b: string) => ((oklch(b)[2] ?? 0) - (oklch(a)[2] ?? 0) + 360) % 360
    expect(Math.abs(apart('#7a2433', '#e0a526') - apart(turned[1] ?? '', turned[3] ?? ''))).toBeLessThan(8)
  })

  it('holds what is held, and is led by the first colour that is not', () => {
    const held = turn(scheme, '#2e6f4e', ['#7a2433', '#e0a526']) ?? []
    expect([held[1], held[2], held[3]]).toEqual(['#7a2433', '#2e6f4e', '#e0a526'])
    expect(turn(['#7a2433'], '#2e6f4e', ['#7a2433'])).toBeNull()
  })

  it('is none of greys, or to one', () => {
    expect(turn(['#ffffff', '#777777'], '#2e6f4e')).toBeNull()
    expect(turn(scheme, '#777777')).toBeNull()
  })
})
