import { type Role, readPalette } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { takingProblems, takingsOf, withTakings } from './taking.ts'

const ROLES: Role[] = [
  { id: 'p', name: 'Primary', color: '#7a2433', serves: 'ground' },
  { id: 't', name: 'text', color: '#111111' },
]
const offer = (text: string) => takingsOf(readPalette(text), ROLES)

describe('what is made of colours that were sent', () => {
  it('a role of the same name takes the colour, once; others become new roles with names of their own', () => {
    const takings = offer('primary: #0b6e74\nPRIMARY: #0b6e75\naccent #d9822b\n#123456\n#654321')
    expect(takings.map(({ name, replaces }) => [name, replaces])).toEqual([
      ['Primary', 'p'],
      ['PRIMARY 2', null],
      ['accent', null],
      ['colour', null],
      ['colour 2', null],
    ])
    expect(takingProblems(takings, ROLES)).toEqual(new Map())
  })

  it('keeps where roles stand and what they are for', () => {
    const [first, second] = offer('primary: #0b6e74\naccent #d9822b')
    const left = { ...(second as NonNullable<typeof second>), taken: false }
    expect(withTakings(ROLES, [first as NonNullable<typeof first>, left], () => 'n')).toEqual([
      { id: 'p', name: 'Primary', color: '#0b6e74', serves: 'ground' },
      ROLES[1],
    ])
    expect(withTakings(ROLES, [{ ...left, taken: true }], () => 'n')[2]).toEqual({
      id: 'n',
      name: 'accent',
      color: '#d9822b',
    })
  })

  it('takes what came with a colour, and makes of a made role one of its own', () => {
    const roles: Role[] = [
      { id: 'h', name: 'hover', color: '#111', made: { from: 'p', lighter: 0, stronger: 1, turned: 0 } },
    ]
    const takings = takingsOf(
      readPalette('role,color,dark,description\nhover,#222,#ddd,pointed at' + '\nnew,#333,,', 'a.csv'),
      roles,
    )
    expect(withTakings(roles, takings, () => 'n')).toEqual([
      { id: 'h', name: 'hover', color: '#222', dark: '#ddd', description: 'pointed at' },
      { id: 'n', name: 'new', color: '#333' },
    ])
  })

  it('understands what people call a job, and says what they called it', () => {
    const told = (text: string, roles: Role[]) =>
      takingsOf(readPalette(text), roles).map(({ name, replaces, called }) => [name, replaces, called])
    expect(told('Main colour 2e6f4e\nHighlight #f2a541\nmain #111\nDark green #123', [])).toEqual([
      ['primary', null, 'Main colour'],
      ['accent', null, 'Highlight'],
      ['primary 2', null, 'main'],
      ['Dark green', null, null],
    ])
    expect(told('Main: #2e6f4e\nink #222', ROLES)).toEqual([
      ['Primary', 'p', 'Main'],
      ['text', 't', 'ink'],
    ])
    expect(told('Main: #2e6f4e', [{ id: 'm', name: 'main', color: '#000' }])).toEqual([['main', 'm', null]])
  })

  it('takes of an image only what is no small part of it and not there already', () => {
    const offered = (color: string, minor = false) => ({ name: 'image', color, line: 1, remark: null, minor })
    const colors = [offered('#7a2434'), offered('#00aa55'), offered('#00aaff', true)]
    const takings = takingsOf({ format: 'image', colors, refused: [] }, ROLES)
    expect(takings.map(({ taken, alike }) => [taken, alike?.name ?? null])).toEqual([
      [false, 'Primary'],
      [true, null],
      [false, null],
    ])
    expect(takingsOf({ format: 'text', colors, refused: [] }, ROLES).every(({ taken }) => taken)).toBe(true)
  })

  it('says which names cannot be', () => {
    const taking = (name: string, replaces: string | null = null, taken = true) => ({
      taken,
      name,
      color: '#000',
      replaces,
      extras: {},
      called: null,
      alike: null,
    })
    const problems = takingProblems(
      [
        taking(' '),
        taking('TEXT'),
        taking('a'),
        taking('A'),
        taking('x'.repeat(61)),
        taking('', 'p'),
        taking('', 'p'),
        taking('', null, false),
      ],
      ROLES,
    )
    expect([...problems]).toEqual([
      [0, 'Give the role a name'],
      [1, 'There is a role called TEXT already'],
      [3, 'Two of these are called A'],
      [4, 'At most 60 characters'],
      [6, 'This role takes a colour from above already'],
    ])
  })
})
