import type { Decision } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { decisionsFor } from './removing.ts'

it('what takes a role takes another, target by target; what else is decided stays', () => {
  const target = { colors: ['#7a2433'], use: 'text' as const }
  const decisions: Decision[] = [
    { id: '1', target, to: { kind: 'role', role: 'p' } },
    { id: '2', target: { colors: ['#fff'] }, to: { kind: 'role', role: 'q' } },
    { id: '3', target: { colors: ['#000'] }, to: { kind: 'keep' } },
  ]
  expect(decisionsFor(decisions, 'p', 'q', () => 'n')).toEqual([{ id: 'n', target, to: { kind: 'role', role: 'q' } }])
})
