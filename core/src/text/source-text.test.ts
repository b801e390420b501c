import fc from 'fast-check'
import iconv from 'iconv-lite'
import { describe, expect, it } from 'vitest'
import { LEGACY_ENCODINGS } from './charset.ts'
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

  it.each([
    ['iso-8859-1', 'windows-1252'],
    ['Shift_JIS', 'shift_jis'],
    ['iso-8859-15', 'iso-8859-15'],
    ['gb2312', 'gbk'],
    ['UTF-8', 'utf-8'],
    ['utf-16', 'utf-8'],
    ['no such', 'utf-8'],
  ])('follows @charset %s', (label, encoding) => {
    const ascii = new TextEncoder().encode(`@charset "${label}";a{}`)
    expect(text(ascii).encoding).toBe(encoding)
  })

  it.each(LEGACY_ENCODINGS)('reads %s as an independent library does, and writes the same bytes', (encoding) => {
    const head = new TextEncoder().encode(`@charset "${encoding}";`)
    const name = encoding === 'x-mac-cyrillic' ? 'maccyrillic' : encoding
    const several = /^(?:big5|euc|gbk|shift)/.test(encoding)
    const body = several ? iconv.encode('漢字', name) : bytesOf(...Array.from({ length: 95 }, (_, i) => 0xa1 + i))
    const bytes = Uint8Array.from([...head, ...body])
    const expected = iconv.decode(Buffer.from(body), name)
    const source = decode('a.css', bytes)
    // A table with holes reads as no character: such a file is not taken as text.
    if (source === 'not-reversible') return expect(expected).toContain('\uFFFD')
    if (typeof source === 'string') throw new Error(source)
    expect(source.encoding).toBe(encoding)
    // For these the library has an older table than the Encoding standard.
    if (!['macintosh', 'x-mac-cyrillic', 'windows-874'].includes(encoding))
      expect(source.text.slice(head.length)).toBe(expected)
    expect([...encode(source.text, source.encoding)]).toEqual([...bytes])
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
