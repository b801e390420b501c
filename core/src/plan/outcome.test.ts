import { describe, expect, it } from 'vitest'
import { toHex } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { parseColor } from '../color/literal.ts'
import { toSpace } from '../color/space.ts'
import type { Role } from '../palette/role.ts'
import { readSource } from '../source/read.ts'
import type { Decision, Target } from './decision.ts'
import { followed } from './follow.ts'
import { isDecided, paintOf, type Resolve, resolver } from './outcome.ts'

const roles: Role[] = [
  { id: 'p', name: 'primary', color: '#0b6e74' },
  { id: 't', name: 'text', color: 'black' },
]
const give = (id: string, role: string, target: Target): Decision => ({ id, target, to: { kind: 'role', role } })
const text = { color: '#7a2433', use: 'text' } as const
const ground = { color: '#7a2433', use: 'ground' } as const
const colors = ['#7a2433']

/** The id of the decision that holds for a place. */
const holder = (decisions: Decision[], place: { color: string; use: 'text' | 'ground' }) => {
  const outcome = resolver(decisions, roles).outcome(place)
  return 'decision' in outcome ? outcome.decision.id : null
}

describe('the outcome of a place', () => {
  it('is open without a decision', () => {
    expect(resolver([], roles).outcome(text)).toEqual({ kind: 'open', inPart: false })
    expect(holder([give('a', 'p', { colors: ['#000000'] })], text)).toBeNull()
  })

  it('follows the latest decision', () => {
    expect(holder([give('a', 'p', { colors }), give('b', 't', { colors })], text)).toBe('b')
  })

  it('keeps a decision within its scope, and lets the narrower one win', () => {
    const place = { ...text, path: 'a.css', heading: 'Header', selector: 'a:hover' } as const
    const held = (scope: Target['scope'], more: Decision[] = []) => {
      const outcome = resolver([give('scoped', 'p', { colors, ...(scope ? { scope } : {}) }), ...more], roles).outcome(
        place,
      )
      return 'decision' in outcome ? outcome.decision.id : null
    }
    for (const scope of [
      { file: 'a.css' },
      { heading: 'Header' },
      { selector: 'a:hover' },
      { state: 'hover' },
    ] as const)
      expect(held(scope)).toBe('scoped')
    for (const scope of [{ file: 'b.css' }, { heading: '' }, { selector: 'a' }, { state: 'rest' }] as const)
      expect(held(scope)).toBeNull()
    expect(held({ file: 'a.css', state: 'hover' }, [give('later', 't', { colors, scope: { file: 'a.css' } })])).toBe(
      'scoped',
    )
    // Limited in other dimensions, neither is narrower: the later holds.
    expect(held({ file: 'a.css' }, [give('later', 't', { colors, scope: { state: 'hover' } })])).toBe('later')
    expect(held({ file: 'a.css' }, [give('later', 't', { colors })])).toBe('scoped')
    // Of a place of which less is known, a scope says nothing.
    expect(holder([give('scoped', 'p', { colors, scope: { file: 'a.css' } })], text)).toBeNull()
  })

  it('follows the narrower decision, whichever came first', () => {
    const whole = give('whole', 'p', { colors })
    const onlyText = give('text', 't', { colors, use: 'text' })
    for (const decisions of [
      [whole, onlyText],
      [onlyText, whole],
    ]) {
      expect(holder(decisions, text)).toBe('text')
      expect(holder(decisions, ground)).toBe('whole')
    }
  })

  it('is open again, and says so, when its role is gone from the palette', () => {
    const outcome = resolver([give('a', 'gone', { colors })], roles).outcome(text)
    expect(outcome.kind).toBe('role-gone')
    expect(isDecided(outcome)).toBe(false)
  })

  it('maps a role outside sRGB into it', () => {
    const wide: Role[] = [{ id: 'w', name: 'wide', color: 'color(display-p3 0 1 0)' }]
    const outcome = resolver([give('a', 'w', { colors })], wide).outcome(text)
    if (outcome.kind !== 'role') throw new Error(outcome.kind)
    for (const channel of ['r', 'g', 'b'] as const) {
      expect(outcome.color[channel]).toBeGreaterThanOrEqual(-0.001)
      expect(outcome.color[channel]).toBeLessThanOrEqual(1.001)
    }
  })
})

describe('what is decided otherwise than by a role', () => {
  const of = (decisions: Decision[], place: Parameters<Resolve>[0]) => resolver(decisions, roles).outcome(place)
  const follow = (id: string, color: string, lead: string): Decision => ({
    id,
    target: { colors: [color] },
    to: { kind: 'follow', lead },
  })
  const shade = { color: '#943a4b', use: 'text' } as const

  it('takes a color of its own, as a screen shows it', () => {
    const taken = of([{ id: 'a', target: { colors }, to: { kind: 'color', color: 'oklch(50% 0.05 200)' } }], text)
    expect(taken).toMatchObject({ kind: 'color', follows: null })
    expect(isDecided(taken)).toBe(true)
  })

  it('follows its lead wherever that goes, also over another that follows', () => {
    const decisions = [give('a', 'p', { colors }), follow('b', '#943a4b', '#7a2433'), follow('c', '#b8606f', '#943a4b')]
    const paint = (place: typeof shade) => paintOf(of(decisions, place)) as NonNullable<ReturnType<typeof paintOf>>
    const lightness = (color: Parameters<typeof toSpace>[1]) => toSpace('oklch', color)[0]
    const key = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
    const [one, two] = [paint(shade), paint({ color: '#b8606f', use: 'text' } as never)]
    const along = (lead: number, shade: number) => (shade - lead) / (1 - lead)
    const wanted = along(lightness(key('#7a2433')), lightness(key('#943a4b')))
    expect(along(lightness(key('#0b6e74')), lightness(one))).toBeCloseTo(wanted, 2)
    expect(lightness(two)).toBeGreaterThan(lightness(one))
    expect(Math.abs(toSpace('oklch', one)[2] - toSpace('oklch', key('#0b6e74'))[2])).toBeLessThan(12)
  })

  it('follows a lead by use and scope, as each place has it', () => {
    const decisions = [
      give('a', 'p', { colors }),
      { id: 'k', target: { colors, use: 'line' as const }, to: { kind: 'keep' as const } },
      follow('b', '#943a4b', '#7a2433'),
    ]
    expect(of(decisions, shade).kind).toBe('color')
    expect(of(decisions, { ...shade, use: 'line' })).toMatchObject({ kind: 'keep', decision: { id: 'b' } })
  })

  it('is open, and says so, when its lead is, or follows it', () => {
    expect(of([follow('b', '#943a4b', '#7a2433')], shade).kind).toBe('lead-open')
    const round = [follow('b', '#943a4b', '#7a2433'), follow('c', '#7a2433', '#943a4b')]
    expect(of(round, shade).kind).toBe('lead-open')
    expect(isDecided(of(round, shade))).toBe(false)
  })

  it('inherits only where the literal is all of an inherited property', () => {
    const sheet = `a { color: #7a2433 } b { background: #7a2433 } c { color: color-mix(in srgb, #7a2433, red) } d { --x: #7a2433 } svg { fill: #7a2433 }`
    const { occurrences } = readSource({ path: 'a.css', text: sheet, encoding: 'utf-8' })
    const decision: Decision = { id: 'i', target: { colors }, to: { kind: 'inherit' } }
    const taking = occurrences.filter(({ color }) => color === '#7a2433')
    expect(taking.map((place) => of([decision], place).kind)).toEqual([
      ...['inherit', 'cannot-inherit', 'cannot-inherit', 'cannot-inherit', 'inherit'],
    ])
    expect(of([decision], text).kind).toBe('cannot-inherit')
  })
})

describe('a color that follows', () => {
  it('keeps what an eye sees of the relation: the lead itself becomes the new lead, a grey stays nearly grey', () => {
    const key = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
    expect(toHex(followed(key('#7a2433'), key('#7a2433'), key('#0b6e74')))).toBe('#0b6e74')
    const tint = followed(key('#f4ecee'), key('#7a2433'), key('#0b6e74'))
    expect(toSpace('oklch', tint)[1]).toBeLessThan(0.02)
    const fromGrey = followed(key('#7a2433'), key('#777777'), key('#999999'))
    expect(toSpace('oklch', fromGrey)[0]).toBeGreaterThan(toSpace('oklch', key('#7a2433'))[0])
    expect(toHex(followed(key('#ffffff'), key('#000000'), key('#ffffff')))).toBe('#ffffff')
  })

  it('stays pale where it was pale, deep where it was deep, and readable as a text', () => {
    const key = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
    const lightness = (...args: Parameters<typeof followed>) => toSpace('oklch', followed(...args))[0]
    for (const lead of ['#7a2433', '#eab676', '#111111', '#fbeaea'])
      for (const next of ['#0b6e74', '#ffd400', '#0a0a20', '#f2f2f2']) {
        // Beside a lead that is pale or deep itself a color goes with it.
        if (lead !== '#fbeaea') expect(lightness(key('#fdf6f7'), key(lead), key(next))).toBeGreaterThanOrEqual(0.88)
        if (lead !== '#111111') expect(lightness(key('#14060a'), key(lead), key(next))).toBeLessThanOrEqual(0.3)
      }
    expect(lightness(key('#fbeaeb'), key('#fbeaea'), key('#0b6e74'))).toBeLessThan(0.6)
    const white = key('#fff')
    const link = followed(key('#8c2a3c'), key('#7a2433'), key('#ffd400'), true)
    expect(contrast(link, white)).toBeGreaterThanOrEqual(4.5)
    expect(contrast(followed(key('#8c2a3c'), key('#7a2433'), key('#ffd400')), white)).toBeLessThan(4.5)
  })
})

describe('a place of which less or more is known', () => {
  it('takes nothing where it is only possibly a colour, until somebody confirms it', () => {
    const place = { ...text, path: 'a.js', confidence: 'possible', range: { start: 7, end: 14 } } as const
    const decisions = [give('a', 'p', { colors })]
    const kinds = (...confirmed: { path: string; start: number }[]) => {
      const plan = resolver(decisions, roles, [], [{ id: 'c', places: confirmed }])
      return [plan.outcome(place).kind, plan.reached(place).length]
    }
    expect(kinds()).toEqual(['possible', 0])
    expect(kinds({ path: 'a.js', start: 8 }, { path: 'b.js', start: 7 })).toEqual(['possible', 0])
    expect(kinds({ path: 'a.js', start: 7 })).toEqual(['role', 1])
    expect(resolver(decisions, roles).outcome({ ...place, confidence: 'likely' }).kind).toBe('role')
  })

  it('is open in part where something is decided of a part of what it paints', () => {
    const place = {
      ...text,
      path: 'a.css',
      selector: 'a, b',
      specificity: [0, 0, 1],
      atRules: [],
      variable: null,
      evidence: null,
      inner: null,
    } as const
    const plan = resolver([give('a', 'p', { colors, scope: { selector: 'a' } })], roles)
    expect(plan.outcome(place)).toEqual({ kind: 'open', inPart: true })
    expect(isDecided(plan.outcome(place))).toBe(true)
  })
})
