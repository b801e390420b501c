import { expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { ledgerOf, placeAt, valueAt } from '../ledger/ledger.ts'
import { readSource } from '../source/read.ts'
import type { Decision, Target } from './decision.ts'
import { resolver } from './outcome.ts'
import { resolveLedger } from './outcomes.ts'

const COLORS = ['#7a2433', '#ffffff', '#333333', '#d2b48c']
const roles = [{ id: 'a', name: 'a', color: '#0b6e74' }]

it('are what the plan makes of each place by itself, scopes or none', () => {
  const random = seeded(11)
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T
  const ledger = ledgerOf(
    ['a.css', 'b.css'].map((path) => {
      const text = Array.from(
        { length: 40 },
        () => `.${pick(['x', 'y:hover'])} { ${pick(['color', 'background'])}: ${pick(COLORS)} }`,
      )
      return { path, ...readSource({ path, text: text.join('\n'), encoding: 'utf-8' }) }
    }),
  )
  const target = (): Target => ({
    colors: COLORS.filter(() => random() < 0.4),
    ...(random() < 0.3 ? { use: 'text' as const } : {}),
    ...(random() < 0.3 ? { scope: { file: 'a.css', ...(random() < 0.5 ? { state: 'hover' as const } : {}) } } : {}),
  })
  let scoped = 0
  for (let round = 0; round < 200; round++) {
    const decisions = Array.from(
      { length: Math.floor(random() * 6) },
      (_, i): Decision => ({
        id: String(i),
        target: target(),
        to: pick([
          { kind: 'keep' },
          { kind: 'role', role: 'a' },
          { kind: 'role', role: 'gone' },
          { kind: 'color', color: '#123456' },
          { kind: 'follow', lead: pick(COLORS) },
          { kind: 'inherit' },
        ] as const),
      }),
    )
    const { codes, values } = resolveLedger(ledger, decisions, roles)
    const { outcome } = resolver(decisions, roles)
    for (let at = 0; at < ledger.length; at++) expect(values[codes[at] as number]).toEqual(outcome(placeAt(ledger, at)))
    scoped += decisions.filter((each) => each.target.scope).length
  }
  expect(scoped).toBeGreaterThan(50)
  expect(valueAt(ledger, 'path', 0)).toBe('a.css')
})
