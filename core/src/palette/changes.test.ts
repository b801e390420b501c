import { expect, it } from 'vitest'
import { paletteChanges } from './changes.ts'
import type { Role } from './role.ts'

const role = (id: string, rest: Partial<Role> = {}): Role => ({ id, name: id, color: '#111111', ...rest })
const told = (before: Role[], after: Role[]) =>
  paletteChanges(before, after).map((change) => [
    change.before?.id ?? 'new',
    change.after?.id ?? 'gone',
    ...change.parts,
  ])

it('two versions of a palette differ in what is new, gone or changed, part by part', () => {
  expect(
    told(
      [role('a'), role('b'), role('c', { serves: 'text' }), role('d'), role('e'), role('f')],
      [
        role('b', { color: '#222222', name: 'B' }),
        role('a', { color: 'rgb(17 17 17)' }),
        role('c', { serves: 'line', description: 'thin' }),
        role('e', { dark: '#eee' }),
        role('f', { made: { from: 'a', lighter: 0, stronger: 1, turned: 0 } }),
        role('x'),
      ],
    ),
  ).toEqual([
    ['b', 'b', 'name', 'color'],
    ['c', 'c', 'job', 'description'],
    ['e', 'e', 'schemes'],
    ['f', 'f', 'job'],
    ['new', 'x'],
    ['d', 'gone'],
  ])
  expect(told([role('a'), role('b')], [role('b'), role('a')])).toEqual([])
})
