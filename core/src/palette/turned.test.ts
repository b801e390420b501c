import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { parseColor } from '../color/literal.ts'
import { turnedScheme } from './turned.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const oklch = (text: string) => new Color(text).to('oklch').coords as number[]

describe('a scheme turned to another hue', () => {
  const scheme = ['#ffffff', '#7a2433', '#943a4b', '#e0a526', '#8b949a', '#111111']
  const turned = turnedScheme(scheme, color('#2e6f4e'))?.colors.map((each) => each.color) ?? []

  it('keeps greys and every lightness, as a second library sees it', () => {
    expect([turned[0], turned[5]]).toEqual(['#ffffff', '#111111'])
    expect(turned[4]).toBe('#8b949a')
    for (const [i, was] of scheme.entries())
      expect(Math.abs((oklch(turned[i] ?? '')[0] ?? 0) - (oklch(was)[0] ?? 0))).toBeLessThan(0.02)
  })

  it('has the new hue in its lead, and the old distances of hue between its colours', () => {
    const [target = 0] = [oklch('#2e6f4e')[2]]
    expect(Math.abs((oklch(turned[1] ?? '')[2] ?? 0) - target)).toBeLessThan(3)
    const apart = (a: string, b: string) => ((oklch(b)[2] ?? 0) - (oklch(a)[2] ?? 0) + 360) % 360
    expect(Math.abs(apart('#7a2433', '#e0a526') - apart(turned[1] ?? '', turned[3] ?? ''))).toBeLessThan(8)
  })

  it('holds what is held, and is led by the first colour that is not', () => {
    const held = turnedScheme(scheme, color('#2e6f4e'), new Set(['#7a2433', '#e0a526']))?.colors ?? []
    expect([held[1]?.color, held[3]?.color]).toEqual(['#7a2433', '#e0a526'])
    expect(Math.abs((oklch(held[2]?.color ?? '')[2] ?? 0) - (oklch('#2e6f4e')[2] ?? 0))).toBeLessThan(3)
    expect(turnedScheme(['#7a2433'], color('#2e6f4e'), new Set(['#7a2433']))).toBeNull()
  })

  it('is none of greys, or to one', () => {
    expect(turnedScheme(['#ffffff', '#777777'], color('#2e6f4e'))).toBeNull()
    expect(turnedScheme(scheme, color('#777777'))).toBeNull()
  })
})
