import { charsetOf, decodeLegacy, encodeLegacy, LEGACY_ENCODINGS } from './charset.ts'

/** How a file's bytes were read. The byte-order mark is part of the encoding, never of the text. */
export const ENCODINGS = ['utf-8', 'utf-8-bom', 'utf-16le', 'utf-16be', 'windows-1252', ...LEGACY_ENCODINGS] as const
export type Encoding = (typeof ENCODINGS)[number]

/** A file as received: its decoded text (after its mark) and what is needed to write the same bytes again. */
export interface SourceText {
  readonly path: string
  readonly text: string
  readonly encoding: Encoding
}

export type DecodeFailure = 'binary' | 'not-reversible'

const MARKS: readonly (readonly [Encoding, readonly number[]])[] = [
  ['utf-8-bom', [0xef, 0xbb, 0xbf]],
  ['utf-16le', [0xff, 0xfe]],
  ['utf-16be', [0xfe, 0xff]],
]

/**
 * Decodes received bytes. Without a mark: as the sheet's own `@charset` says, else UTF-8 where the bytes are valid UTF-8, else
 * Windows-1252 (common practice, no source).
 * A decoding is accepted only if encoding it again gives the very same bytes, so that no untouched byte can ever change.
 * @returns the text, or why these bytes are not taken as text
 */
export function decode(path: string, bytes: Uint8Array): SourceText | DecodeFailure {
  const mark = MARKS.find(([, m]) => m.every((b, i) => bytes[i] === b))
  if (!mark && looksBinary(bytes)) return 'binary'
  const source = mark
    ? { path, encoding: mark[0], text: decodeAs(mark[0], bytes.subarray(mark[1].length)) }
    : { path, ...decodeUnmarked(bytes) }
  if (source.text.includes('\0')) return 'binary'
  return comesBack(source, bytes) ? source : 'not-reversible'
}

/** Encodes text into the bytes of an encoding, its mark first. Throws a RangeError for a character that the encoding lacks. */
export function encode(text: string, encoding: Encoding): Uint8Array<ArrayBuffer> {
  const mark = MARKS.find(([name]) => name === encoding)?.[1] ?? []
  const body = encodeBody(text, encoding)
  if (mark.length === 0) return body
  const out = new Uint8Array(mark.length + body.length)
  out.set(mark)
  out.set(body, mark.length)
  return out
}

function decodeAs(encoding: Encoding, body: Uint8Array): string {
  switch (encoding) {
    case 'utf-8':
    case 'utf-8-bom':
      return new TextDecoder('utf-8', { ignoreBOM: true }).decode(body)
    case 'utf-16le':
    case 'utf-16be':
      return new TextDecoder(encoding, { ignoreBOM: true }).decode(body)
    case 'windows-1252':
      return fromWindows1252(body)
    default:
      return decodeLegacy(encoding, body)
  }
}

function encodeBody(text: string, encoding: Encoding): Uint8Array<ArrayBuffer> {
  switch (encoding) {
    case 'utf-8':
    case 'utf-8-bom':
      return new TextEncoder().encode(text)
    case 'utf-16le':
    case 'utf-16be': {
      const out = new Uint8Array(text.length * 2)
      const high = encoding === 'utf-16be' ? 0 : 1
      for (let i = 0; i < text.length; i++) {
        const unit = text.charCodeAt(i)
        out[i * 2 + high] = unit >> 8
        out[i * 2 + 1 - high] = unit & 0xff
      }
      return out
    }
    case 'windows-1252': {
      return Uint8Array.from(text, (char) => {
        const unit = char.charCodeAt(0)
        if (unit < 0x80 || (unit >= 0xa0 && unit <= 0xff)) return unit
        const byte = HIGH_CONTROLS.indexOf(char)
        if (byte < 0) throw new RangeError(`Windows-1252 has no ${JSON.stringify(char)}`)
        return 0x80 + byte
      })
    }
    default:
      return encodeLegacy(encoding, text)
  }
}

/**
 * The bytes 0x80 to 0x9F of Windows-1252 (index-windows-1252 of the Encoding standard); all others are Latin-1. A table, because
 * Node.js 20's own decoder reads these as Latin-1 too.
 */
const HIGH_CONTROLS = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'

function fromWindows1252(body: Uint8Array): string {
  let text = ''
  for (const byte of body) text += byte >= 0x80 && byte < 0xa0 ? HIGH_CONTROLS[byte - 0x80] : String.fromCharCode(byte)
  return text
}

function decodeUnmarked(bytes: Uint8Array): Pick<SourceText, 'encoding' | 'text'> {
  const named = charsetOf(bytes)
  const text = named === null || named === 'utf-8' ? validUtf8(bytes) : null
  if (text !== null) return { encoding: 'utf-8', text }
  const encoding = named === null || named === 'utf-8' ? 'windows-1252' : named
  return { encoding, text: decodeAs(encoding, bytes) }
}

function validUtf8(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes)
  } catch {
    return null
  }
}

/** A NUL among the first 8,000 bytes: what version-control programs take as the sign of a binary file (common practice, no source). */
function looksBinary(bytes: Uint8Array): boolean {
  return bytes.subarray(0, 8000).includes(0)
}

function comesBack({ text, encoding }: SourceText, bytes: Uint8Array): boolean {
  try {
    return sameBytes(encode(text, encoding), bytes)
  } catch {
    // Bytes that were no character were read as one that the encoding lacks.
    return false
  }
}

function sameBytes(a: Uint8Array, b: Uint8Array): boolean {
  if (a.length !== b.length) return false
  // A call for each byte of a site would take a tenth of the time in which it is read.
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}
