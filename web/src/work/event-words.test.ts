import type { Decision, PlanEvent, Role } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { eventText, madeBy } from './event-words.ts'

const roles: Role[] = [
  { id: 'n', name: 'notice', color: '#2f7d5b' },
  { id: 'g', name: 'ground', color: '#fbfaf6' },
]
const decision = (id: string, to: Decision['to'], ...colors: string[]): Decision => ({ id, target: { colors }, to })
const text = (event: PlanEvent) => eventText(event, roles, [{ name: 'as shown', at: 4 }])
const notice = { kind: 'role', role: 'n' } as const

describe('an event in words', () => {
  it('tells few decisions one by one, many by what most colours come to', () => {
    const few = [decision('1', notice, '#111111', '#222222'), decision('2', { kind: 'keep' }, '#333333')]
    expect(text({ kind: 'decide', decisions: few })).toBe('2 colours to notice; #333333 kept')
    const many = [
      ...few,
      decision('3', notice, '#222222', '#444444'),
      decision('4', { kind: 'role', role: 'g' }, '#eeeeee', '#ffffff'),
      decision('5', { kind: 'follow', lead: '#111111' }, '#555555'),
    ]
    expect(text({ kind: 'decide', decisions: many })).toBe(
      '5 decisions: 3 colours to notice, 2 colours to ground, 1 colour kept …',
    )
    expect(madeBy({ kind: 'decide', decisions: many }, roles).at(-1)).toEqual({
      id: '5',
      text: '#555555 follows #111111',
    })
  })

  it('names the point that was returned to, the beginning, or the act', () => {
    expect([4, 0, 7].map((to) => text({ kind: 'return', to }))).toEqual([
      'Returned to as shown',
      'Returned to the beginning',
      'Returned to act 7',
    ])
  })
})
