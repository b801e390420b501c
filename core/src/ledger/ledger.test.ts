import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readSource } from '../source/read.ts'
import { FIELDS, LISTS } from './fields.ts'
import { type FilePlaces, ledgerOf, listsIn, placeAt, valueAt } from './ledger.ts'
import { packLedger, unpackLedger } from './pack.ts'

const read = (path: string, text: string): FilePlaces => ({ path, ...readSource({ path, text, encoding: 'utf-8' }) })

const FILES = [
  read(
    'a.css',
    '/* Head */ a:hover, b { color: #7A2433 !important; background: rgb(1 2 3 / .5) } @media print { a { color: tan } }',
  ),
  read('none.css', 'a { width: 1px }'),
  read(
    'b.scss',
    '$brand: darken(#7a2433, 10%); .x { border-color: $brand; fill: hsl(var(--h) 10% 20%); color: rgba(#000, var(--a)) }',
  ),
  read('c.svg', '<svg><path fill="#fff" opacity=".5"/></svg>'),
  read('d.css', 'a { background: url("data:image/svg+xml;base64,PHN2ZyBmaWxsPSIjZmYwMDAwIi8+") }'),
]

describe('a ledger', () => {
  const ledger = ledgerOf(FILES)
  const all = FILES.flatMap(({ path, occurrences }) => occurrences.map((each) => ({ ...each, path })))

  it('gives back every place as it was read', () => {
    expect(ledger.length).toBe(all.length)
    expect(all.length).toBeGreaterThan(6)
    all.forEach((place, index) => {
      expect(placeAt(ledger, index)).toEqual({ ...place, index })
    })
  })

  it('keeps each value of a field once', () => {
    for (const field of FIELDS) {
      const texts = ledger.columns[field].values.map((value) => JSON.stringify(value))
      expect(new Set(texts).size, field).toBe(texts.length)
    }
    for (const field of LISTS) {
      const texts = listsIn(ledger, field).map((list) => JSON.stringify(list))
      expect(new Set(texts).size, field).toBe(texts.length)
    }
    expect(new Set(ledger.texts).size).toBe(ledger.texts.length)
    expect(ledger.columns.path.values).toEqual(['a.css', 'b.scss', 'c.svg', 'd.css'])
    expect(valueAt(ledger, 'important', 0)).toBe(true)
  })

  it('is the same again after packing, wherever the bytes stand', () => {
    const bytes = packLedger(ledger)
    expect(unpackLedger(bytes)).toEqual(ledger)
    const elsewhere = new Uint8Array(bytes.length + 3)
    elsewhere.set(bytes, 3)
    expect(unpackLedger(elsewhere.subarray(3))).toEqual(ledger)
    expect(unpackLedger(packLedger(ledgerOf([])))?.length).toBe(0)
  })

  it('is not taken out of bytes that hold none', () => {
    const bytes = packLedger(ledger)
    expect(unpackLedger(bytes.subarray(0, bytes.length - 4))).toBeNull()
    const text = new TextDecoder('latin1').decode(bytes)
    const changed = (held: string, said: string) => {
      expect(text).toContain(held)
      return Uint8Array.from(text.replace(held, said), (char) => char.charCodeAt(0))
    }
    expect(unpackLedger(changed('"form":3', '"form":4'))).toBeNull()
    expect(unpackLedger(changed('"texts":["b"', '"texts":[555'))).toBeNull()
    expect(unpackLedger(changed('"length":7,', '"length":-7,'))).toBeNull()
    // Codes, ends and items that lead nowhere, in the last list.
    const { codes, ends, items } = ledger.lists.functions
    const last = items.length
    for (const fromEnd of [1, last + 1, last + ends.length + 1, last + ends.length + codes.length]) {
      const beyond = bytes.slice()
      const at = beyond.length - 4 * fromEnd
      beyond.fill(0xff, at, at + 4)
      expect(unpackLedger(beyond), `${fromEnd} from the end`).toBeNull()
    }
    const falling = bytes.slice()
    const firstEnd = falling.length - 4 * (last + ends.length)
    expect(ends.length).toBeGreaterThan(1)
    new DataView(falling.buffer).setUint32(firstEnd, last, true)
    new DataView(falling.buffer).setUint32(firstEnd + 4, 0, true)
    expect(unpackLedger(falling)).toBeNull()
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (noise) => {
        expect(unpackLedger(noise)).toBeNull()
      }),
    )
  })
})
