import { describe, expect, it } from 'vitest'
import { missingRoles } from './complete.ts'
import { legibilities } from './readability.ts'
import type { Role } from './role.ts'

const role = (name: string, color: string): Role => ({ id: name, name, color })
const completed = (roles: readonly Role[]) => [
  ...roles,
  ...missingRoles(roles).colors.map(({ name, color }) => role(name ?? '', color)),
]

describe('the roles that a palette lacks', () => {
  it.each(['#0b6e74', '#7a2433', '#f2c14e', '#111111', '#ffffff', '#808080', '#00ff00', 'oklch(60% 0.3 300)'])(
    'make a palette of %s of which everything can be read',
    (primary) => {
      const roles = completed([role('primary', primary)])
      expect(roles.length).toBeGreaterThanOrEqual(12)
      const hard = legibilities(roles).filter(({ level }) => level === 'fails' || level === 'large')
      expect(hard.map(({ role, ground, ratio }) => `${role.name} on ${ground.name} ${ratio}`)).toEqual([])
    },
  )

  it('are none that are there, and leave what is there as it is', () => {
    const roles = [role('Brand', '#0b6e74'), role('Text', '#222222'), role('soft  ground', '#dddddd')]
    const names = missingRoles(roles).colors.map(({ name }) => name)
    expect(names).toContain('text on Brand')
    expect(names).not.toContain('text')
    expect(names).not.toContain('soft ground')
    expect(missingRoles(completed(roles)).colors).toEqual([])
  })

  it('a role that stands on something is no ground to begin with', () => {
    const roles = [role('on bar', '#ffffff'), role('bar', '#0b6e74')]
    const names = missingRoles(roles).colors.map(({ name }) => name)
    expect(names).toContain('text on bar')
    expect(names.filter((name) => /on on/.test(name ?? ''))).toEqual([])
  })

  it('roles with names of the client’s own are not lacking where they do the job', () => {
    const roles = [role('Pine', '#0e5a4f'), role('Oat', '#f4efe6')].map((each, i) => ({
      ...each,
      description: i === 0 ? 'the buttons and the links' : 'the background',
    }))
    const names = missingRoles(roles).colors.map(({ name }) => name)
    for (const name of ['primary', 'link', 'ground']) expect(names).not.toContain(name)
    expect(names).toContain('text on Pine')
  })

  it('cannot be told without a ground to begin with', () => {
    expect(missingRoles([]).colors).toEqual([])
    expect(missingRoles([role('text', '#000000')]).colors).toEqual([])
  })
})
