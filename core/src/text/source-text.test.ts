import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decode, encode, type SourceText } from './source-text.ts'

const bytesOf = (...values: number[]) => Uint8Array.from(values)

function text(bytes: Uint8Array): SourceText {
  const source = decode('a.css', bytes)
  if (typeof source === 'string') throw new Error(source)
  return source
}

describe('decoding', () => {
  it('keeps the mark apart from the text', () => {
    expect(text(bytesOf(0xef, 0xbb, 0xbf, 0x61))).toMatchObject({ encoding: 'utf-8-bom', text: 'a' })
    expect(text(bytesOf(0xff, 0xfe, 0x61, 0x00))).toMatchObject({ encoding: 'utf-16le', text: 'a' })
    expect(text(bytesOf(0xfe, 0xff, 0x00, 0x61))).toMatchObject({ encoding: 'utf-16be', text: 'a' })
  })

  it('takes bytes that are no UTF-8 as Windows-1252', () => {
    expect(text(bytesOf(0x61, 0xe9, 0x80))).toMatchObject({ encoding: 'windows-1252', text: 'aé€' })
  })

  it('refuses binary files and what cannot be written back', () => {
    expect(decode('a.css', bytesOf(0x89, 0x50, 0x4e, 0x47, 0x00))).toBe('binary')
    // A lone surrogate in UTF-16, an odd byte at the end.
    expect(decode('a.css', bytesOf(0xff, 0xfe, 0x00, 0xd8))).toBe('not-reversible')
    expect(decode('a.css', bytesOf(0xff, 0xfe, 0x61, 0x00, 0x62))).toBe('not-reversible')
  })

  it('gives back every byte, whatever they are, or refuses', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        const source = decode('a.css', bytes)
        if (typeof source !== 'string') expect([...encode(source.text, source.encoding)]).toEqual([...bytes])
      }),
      { seed: 1, numRuns: 500 },
    )
  })

  it('says which character an encoding lacks', () => {
    expect(() => encode('Ω', 'windows-1252')).toThrow(RangeError)
  })
})
