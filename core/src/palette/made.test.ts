import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { toHex } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { HUE_RELATIONS, madeColor, settled } from './made.ts'
import { inSrgb, type Made, type Role } from './role.ts'
import { PROPOSED_STATES, proposeState, VISIBLE } from './states.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const role = (id: string, value: string, made?: Made): Role => ({
  id,
  name: id,
  color: value,
  ...(made ? { made } : {}),
})
const from = (base: string, change: Partial<Made> = {}): Made => ({
  from: base,
  lighter: 0,
  stronger: 1,
  turned: 0,
  ...change,
})

describe('a colour made of another', () => {
  it('is where a second library finds it in OKLCH, where sRGB holds it', () => {
    for (const base of ['#0b6e74', '#d9822b', '#7a2433', '#808080'])
      for (const change of [{ lighter: 0.1 }, { lighter: -0.08 }, { stronger: 0.5 }, { turned: 30, stronger: 0.4 }]) {
        const made = from('x', change)
        const [l = 0, c = 0, h = 0] = new Color(base).to('oklch').coords as number[]
        const hue = Number.isNaN(h) || h === null ? 0 : h
        const theirs = new Color('oklch', [l + made.lighter, c * made.stronger, hue + made.turned])
        if (!theirs.inGamut('srgb')) continue
        const ours = madeColor(color(base), made)
        expect(toHex(ours)).toBe(toHex(color(theirs.to('srgb').toString({ format: 'hex', collapse: false }))))
      }
  })

  it('is mapped into sRGB with its lightness and hue kept, as far as an eye sees', () => {
    const [l, , h] = new Color(toHex(madeColor(color('#0a5a8a'), from('x', { lighter: 0.2, stronger: 2 })))).to('oklch')
      .coords as number[]
    const [l0 = 0, , h0 = 0] = new Color('#0a5a8a').to('oklch').coords as number[]
    expect(Math.abs((l ?? 0) - l0 - 0.2)).toBeLessThan(0.02)
    expect(Math.abs((h ?? 0) - h0)).toBeLessThan(6)
  })
})

it('hues in relation to a base lie where the relation says, as a second library sees it', () => {
  // A grey-green of so little chroma that sRGB holds every hue of it.
  const base = '#7b8a80'
  const hue = (text: string) => (new Color(text).to('oklch').coords[2] ?? 0) as number
  for (const { name, turned } of HUE_RELATIONS) {
    const made = toHex(madeColor(color(base), from('x', { turned })))
    const apart = (hue(made) - hue(base) - turned + 720 + 180) % 360
    expect(Math.abs(apart - 180), name).toBeLessThan(3)
  }
  const degrees = HUE_RELATIONS.map(({ turned }) => turned)
  expect(new Set(degrees)).toEqual(new Set([0, 180, 30, -30, 120, -120, 150, -150]))
})

describe('what lies outside sRGB', () => {
  // CSS Color 4 §13.2.2: the second library has the algorithm as its method "css".
  it('is mapped to what a second library maps it to, as nearly as an eye can tell', () => {
    for (let n = 0; n < 400; n++) {
      const [l, c, h] = [0.15 + (n % 8) / 10, 0.12 + (n % 5) * 0.06, (n * 37) % 360]
      const text = `oklch(${l} ${c} ${h})`
      const theirs = new Color(text).toGamut({ space: 'srgb', method: 'css' }).to('srgb')
      const apart = deltaE2000(labOf(inSrgb(color(text))), labOf(color(theirs.toString({ format: 'hex' }))))
      expect(apart, text).toBeLessThan(1)
    }
  })
})

describe('a palette with made colours', () => {
  it('follows its bases, through others too, wherever they stand', () => {
    const roles = [
      role('c', '#fff', from('b', { lighter: 0.1 })),
      role('b', '#fff', from('a', { lighter: -0.1 })),
      role('a', '#5a6870'),
    ]
    const [c, b, a] = settled(roles)
    expect(a?.color).toBe('#5a6870')
    expect(b?.color).toBe(toHex(madeColor(color('#5a6870'), from('a', { lighter: -0.1 }))))
    expect(deltaE2000(labOf(color(c?.color ?? '')), labOf(color('#5a6870')))).toBeLessThan(0.5)
    const moved = settled([...roles.slice(0, 2), role('a', '#7a2433')])
    expect(moved[1]?.color).not.toBe(b?.color)
  })

  it('keeps what is made of itself, of nothing, or of what is no colour', () => {
    const roles = [
      role('a', '#111111', from('b')),
      role('b', '#222222', from('a')),
      role('c', '#333333', from('gone')),
      role('d', '#444444', from('a')),
    ]
    expect(
      settled(roles)
        .slice(0, 3)
        .map((each) => each.color),
    ).toEqual(['#111111', '#222222', '#333333'])
    expect(settled([role('a', 'nonsense'), role('b', '#222222', from('a'))])[1]?.color).toBe('#222222')
  })
})

describe('colours proposed for states', () => {
  it('are seen to differ from rest, and are read as well', () => {
    for (const rest of ['#0a5a8a', '#0b6e74', '#d9822b', '#f2c14e', '#111111'])
      for (const ground of ['#ffffff', '#fbfaf6', '#1f2a30']) {
        const ratio = Math.min(4.5, contrast(color(rest), color(ground)))
        for (const state of PROPOSED_STATES) {
          const change = proposeState(state, color(rest), [color(ground)], ratio)
          if (!change) continue
          const made = madeColor(color(rest), change)
          expect(deltaE2000(labOf(made), labOf(color(rest)))).toBeGreaterThanOrEqual(VISIBLE)
          expect(contrast(made, color(ground))).toBeGreaterThanOrEqual(ratio)
        }
        expect(proposeState('hover', color(rest), [color(ground)], ratio)).not.toBeNull()
      }
  })

  it('are none where nothing can be read', () => {
    expect(proposeState('hover', color('#777777'), [color('#000000'), color('#ffffff')], 7)).toBeNull()
  })
})
