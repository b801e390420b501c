import { expect, it } from 'vitest'
import { opaqueKey } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'
import { madeColor } from './made.ts'
import type { Role } from './role.ts'
import { rolesIn, withValue } from './scheme.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const hover = { lighter: -0.1, stronger: 1, turned: 0 }

it('a scheme has the values of its own, and what is made of another follows that there too', () => {
  const roles: Role[] = [
    { id: 'ground', name: 'ground', color: '#fff', dark: '#14181a' },
    { id: 'link', name: 'link', color: '#0a5a8a', dark: '#7fc4ee' },
    { id: 'hover', name: 'link hover', color: '#004a7a', made: { from: 'link', ...hover } },
    { id: 'visited', name: 'link visited', color: '#5a4a7a', dark: '#c0a0e0', made: { from: 'link', ...hover } },
    { id: 'text', name: 'text', color: '#111' },
  ]
  expect(rolesIn('light', roles)).toBe(roles)
  expect(rolesIn('print', roles)).toBe(roles)
  const followed = opaqueKey(madeColor(color('#7fc4ee'), hover))
  expect(rolesIn('dark', roles).map((role) => role.color)).toEqual(['#14181a', '#7fc4ee', followed, '#c0a0e0', '#111'])
})

it('a role that is given a color of its own is made from no other', () => {
  const made: Role = { id: 'a', name: 'a', color: '#111', dark: '#eee', made: { from: 'b', ...hover } }
  expect(withValue(made, 'light', '#222')).toEqual({ id: 'a', name: 'a', color: '#222', dark: '#eee' })
  expect(withValue(made, 'dark', '#ddd')).toEqual({ ...made, dark: '#ddd' })
})
