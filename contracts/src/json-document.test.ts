import { expect, it } from 'vitest'
import { jsonDocument, type Written } from './json-document.ts'

function* made(count: number, entry: unknown) {
  for (let i = 0; i < count; i++) yield entry
}

const textOf = (pieces: readonly Uint8Array[]) => pieces.map((piece) => new TextDecoder().decode(piece)).join('')

it('is the JSON of its members, lists that are made on the way and entries that write themselves included', () => {
  const members = { version: 2, 'a "b"': 'c\u0007', none: [], nothing: null, some: [1, { x: [] }], made: ['a', 'a'] }
  const writtenItself: Written = (json) => json.put('"a"')
  const text = textOf([...jsonDocument({ ...members, made: made(2, writtenItself) })])
  expect(JSON.parse(text)).toEqual(members)
  expect(text.split('\n')).toContain('{"x":[]}')
})

it('comes in pieces that are no longer than an entry more than 64 KB', () => {
  const pieces = [...jsonDocument({ all: made(1000, 'x'.repeat(998)) })]
  expect(pieces.length).toBeGreaterThan(10)
  expect(Math.max(...pieces.map(({ length }) => length))).toBeLessThan(64 * 1024 + 1100)
  expect(JSON.parse(textOf(pieces)).all).toHaveLength(1000)
})
