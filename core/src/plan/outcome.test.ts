import { describe, expect, it } from 'vitest'
import type { Role } from '../palette/role.ts'
import type { Decision, Target } from './decision.ts'
import { isDecided, resolver } from './outcome.ts'

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
  const outcome = resolver(decisions, roles)(place)
  return outcome.kind === 'open' ? null : outcome.decision.id
}

describe('the outcome of a place', () => {
  it('is open without a decision', () => {
    expect(resolver([], roles)(text)).toEqual({ kind: 'open' })
    expect(holder([give('a', 'p', { colors: ['#000000'] })], text)).toBeNull()
  })

  it('follows the latest decision', () => {
    expect(holder([give('a', 'p', { colors }), give('b', 't', { colors })], text)).toBe('b')
  })

  it('keeps a decision within its scope, and lets the narrower one win', () => {
    const place = { ...text, path: 'a.css', heading: 'Header', selector: 'a:hover', states: ['hover'] } as const
    const held = (scope: Target['scope'], more: Decision[] = []) => {
      const outcome = resolver([give('scoped', 'p', { colors, ...(scope ? { scope } : {}) }), ...more], roles)(place)
      return outcome.kind === 'open' ? null : outcome.decision.id
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
    const outcome = resolver([give('a', 'gone', { colors })], roles)(text)
    expect(outcome.kind).toBe('role-gone')
    expect(isDecided(outcome)).toBe(false)
  })

  it('maps a role outside sRGB into it', () => {
    const wide: Role[] = [{ id: 'w', name: 'wide', color: 'color(display-p3 0 1 0)' }]
    const outcome = resolver([give('a', 'w', { colors })], wide)(text)
    if (outcome.kind !== 'role') throw new Error(outcome.kind)
    for (const channel of ['r', 'g', 'b'] as const) {
      expect(outcome.color[channel]).toBeGreaterThanOrEqual(-0.001)
      expect(outcome.color[channel]).toBeLessThanOrEqual(1.001)
    }
  })
})
