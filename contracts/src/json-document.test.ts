import { expect, it } from 'vitest'
import { jsonDocument } from './json-document.ts'

function* made(count: number, entry: unknown) {
  for (let i = 0; i < count; i++) yield entry
}

it('is the JSON of its members, lists that are made on the way included', () => {
  const members = { version: 2, 'a "b"': 'c\u0007', none: [], nothing: null, some: [1, { x: [] }], made: ['a', 'a'] }
  const pieces = [...jsonDocument({ ...members, made: made(2, 'a') })]
  expect(JSON.parse(pieces.join(''))).toEqual(members)
  expect(pieces.join('').split('\n')).toContain('{"x":[]}')
})

it('comes in pieces that are no longer than an entry more than 64 KB', () => {
  const pieces = [...jsonDocument({ all: made(1000, 'x'.repeat(998)) })]
  expect(pieces.length).toBeGreaterThan(10)
  expect(Math.max(...pieces.map(({ length }) => length))).toBeLessThan(64 * 1024 + 1100)
  expect(JSON.parse(pieces.join('')).all).toHaveLength(1000)
})
