import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { JsonBytes, membersOf } from './json-bytes.ts'

const textOf = (json: JsonBytes) => new TextDecoder('utf-8', { fatal: true }).decode(json.take())

describe('JSON as bytes', () => {
  const members = membersOf({ a: true, b: true, c: true })

  it('reads back as JSON itself would write it, whatever stands in it, without control characters', () => {
    const value = fc.jsonValue({ stringUnit: 'binary' })
    fc.assert(
      fc.property(value, value, value, (a, b, c) => {
        const text = textOf(new JsonBytes().entry({ a, b, c }, members, { lead: c }))
        expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify({ lead: c, a, b, c })))
        // biome-ignore lint/suspicious/noControlCharactersInRegex: none may stand in it
        expect(text).not.toMatch(/[\u0000-\u001f\u007f-\u009f]/)
      }),
    )
  })

  it.each(['\ud800', '\udfffx', '😀', 'ä€"\\\n', 'é'.repeat(50_000), -1, 0.5, 1e21, 2 ** 53, Number.NaN])(
    'takes %j',
    (a) => {
      expect(textOf(new JsonBytes().entry({ a }, members))).toBe(JSON.stringify({ a }))
    },
  )

  it.each([
    ['\u007f\u0085', '"\\u007f\\u0085"'],
    [['\u009b'], '["\\u009b"]'],
  ])('writes %j out', (a, json) => {
    expect(textOf(new JsonBytes().entry({ a }, members))).toBe(`{"a":${json}}`)
  })

  it('leaves out what is usual of an entry, keeps its order, and puts entries on lines of their own', () => {
    const members = membersOf({ alpha: true, functions: true, raw: true, important: true })
    const json = new JsonBytes()
    const entry = { important: true, raw: 'red', alpha: 1, functions: [], other: 'x' }
    json.between().entry(entry, members, { rule: 0 }).between().entry({}, members)
    expect(textOf(json.put(new Uint8Array([0x20])))).toBe('{"rule":0,"raw":"red","important":true},\n{} ')
    expect(json.size).toBe(0)
  })
})
