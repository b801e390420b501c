import { contrast, deltaE2000, labOf, parseColor, type Role } from '@undo-ink/core'
import { expect, it } from 'vitest'
import { madeText } from './made-text.ts'
import { stateRoles } from './proposals.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const ROLES: Role[] = [
  { id: 'p', name: 'primary', color: '#0b6e74' },
  { id: 'tp', name: 'text on primary', color: '#ffffff' },
  { id: 'g', name: 'ground', color: '#fbfaf6' },
  { id: 'l', name: 'link', color: '#0a5a8a' },
  { id: 'lh', name: 'Link hover', color: '#000000' },
]

it('states are proposed for those that are not there yet, readable where the role stands', () => {
  const [primary, , , link] = ROLES as [Role, Role, Role, Role]
  const of = (role: Role) => stateRoles(role, ROLES, () => 'n')
  expect(of(primary).map(({ name, serves, made }) => [name, serves, made?.from])).toEqual([
    ['primary hover', 'ground', 'p'],
    ['primary pressed', 'ground', 'p'],
  ])
  expect(of(link).map(({ name, on }) => [name, on])).toEqual([
    ['link pressed', ['g']],
    ['link visited', ['g']],
  ])
  for (const { color: made } of of(primary)) {
    expect(contrast(color(made), color('#ffffff'))).toBeGreaterThanOrEqual(4.5)
    expect(deltaE2000(labOf(color(made)), labOf(color(primary.color)))).toBeGreaterThanOrEqual(5)
  }
  expect(stateRoles({ ...link, id: 'x', name: 'link visited' }, ROLES, () => 'n')).toEqual([])
  expect(stateRoles({ ...primary, color: 'nonsense' }, ROLES, () => 'n')).toEqual([])
})

it('how a role is made is told in words', () => {
  const made = { from: 'p', lighter: -0.1, stronger: 0.5, turned: 30 }
  expect(madeText(made, ROLES)).toBe('primary, darker, softer, turned 30°')
  expect(madeText({ ...made, lighter: 0, stronger: 1, turned: 0 }, ROLES)).toBe('primary')
  expect(madeText({ ...made, from: 'gone' }, ROLES)).toBe('made from a role that is gone')
})
