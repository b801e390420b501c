import type { Embedded } from '../embedded.ts'

/** The payload of one SVG drawing in a `data:` URL; offsets in the text that it was found in. */
export interface Payload {
  readonly start: number
  readonly end: number
  readonly base64: boolean
}

const OPENING = /(["']|\()\s*data:image\/svg\+xml((?:;[^,;"'()]*)*),/gi

/** The SVG drawings in `data:` URLs of a value, quoted or not. Linear. */
export function findDrawings(value: string): Payload[] {
  // An address is longer than most values: only its length is looked at for them.
  if (value.length < 24 || !/data:image\/svg/i.test(value)) return []
  const payloads: Payload[] = []
  OPENING.lastIndex = 0
  for (let match = OPENING.exec(value); match; match = OPENING.exec(value)) {
    const start = match.index + match[0].length
    const end = closeOf(value, start, match[1] === '(' ? ')' : (match[1] as string))
    payloads.push({ start, end, base64: /;\s*base64\s*$/i.test(match[2] ?? '') })
    OPENING.lastIndex = end
  }
  return payloads
}

/** The drawing that a whole value is the address of; null: it is none. */
export function wholeDrawing(value: string): Payload | null {
  const opening = /^\s*data:image\/svg\+xml((?:;[^,;"'()]*)*),/i.exec(value.slice(0, LONGEST_OPENING))
  if (!opening) return null
  return { start: opening[0].length, end: value.trimEnd().length, base64: /;\s*base64\s*$/i.test(opening[1] ?? '') }
}

/** Longer than what says of what kind a `data:` URL is. */
const LONGEST_OPENING = 200

function closeOf(value: string, from: number, sign: string): number {
  for (let at = from; at < value.length; at++) {
    if (value[at] === '\\') at++
    else if (value[at] === sign) return at
  }
  return value.length
}

/**
 * The drawing that a payload holds, as a text of its own: escapes of CSS and percent-encoding decoded, or base64; null for a payload
 * that would not come out the same when it is encoded again.
 */
export function drawingOf(at: Embedded, { start, end, base64 }: Payload): Embedded | null {
  const written = at.text.slice(start, end)
  if (!base64) {
    const { text, offsets } = decodePercent(written)
    const toSource = (offset: number) => at.toSource(start + (offsets[offset] ?? written.length))
    return { text, toSource, drawing: { encoding: 'percent' } }
  }
  const text = decodeBase64(written)
  if (text === null) return null
  const payload = { start: at.toSource(start), end: at.toSource(end) }
  return { text, toSource: (offset) => offset, drawing: { encoding: 'base64', payload, text } }
}

/** One unit of the text, or several that stand for one: an escape of CSS, or the bytes of one character percent-encoded. */
const PIECE = /\\(?:[\da-f]{1,6}\s?|\r\n|[\s\S])|(?:%[\da-f]{2})+|[\s\S]/giu

function decodePercent(written: string): { text: string; offsets: number[] } {
  let text = ''
  const offsets: number[] = []
  const put = (piece: string, from: number) => {
    for (let i = 0; i < piece.length; i++) offsets.push(from)
    text += piece
  }
  for (const { 0: piece, index } of written.matchAll(PIECE)) {
    if (piece.startsWith('%') && piece.length > 1) {
      // Byte by byte where it can be: each then has a place of its own.
      for (let i = 0; i < piece.length; ) {
        const length = 3 * bytesOf(Number.parseInt(piece.slice(i + 1, i + 3), 16))
        const one = piece.slice(i, i + length)
        put(decoded(one), index + i)
        i += one.length
      }
    } else if (piece.startsWith('\\') && piece.length > 1) put(unescaped(piece), index)
    else put(piece, index)
  }
  return { text, offsets }
}

/** How many bytes the character has that begins with this one (UTF-8). */
function bytesOf(first: number): number {
  return first >= 0xf0 ? 4 : first >= 0xe0 ? 3 : first >= 0xc0 ? 2 : 1
}

function decoded(encoded: string): string {
  try {
    return decodeURIComponent(encoded)
  } catch {
    return encoded
  }
}

function unescaped(written: string): string {
  const hex = /^\\([\da-f]{1,6})/i.exec(written)?.[1]
  if (hex === undefined) return /^\\[\r\n\f]/.test(written) ? '' : written.slice(1)
  const code = Number.parseInt(hex, 16)
  return code === 0 || code > 0x10ffff || (code >= 0xd800 && code < 0xe000) ? '\uFFFD' : String.fromCodePoint(code)
}

/** The text of a base64 payload; null where encoding it again would not give the same. */
export function decodeBase64(payload: string): string | null {
  if (!/^[a-z\d+/]+={0,2}$/i.test(payload) || payload.length % 4 !== 0) return null
  try {
    const bytes = Uint8Array.from(atob(payload), (char) => char.charCodeAt(0))
    const text = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes)
    return encodeBase64(text) === payload ? text : null
  } catch {
    return null
  }
}

export function encodeBase64(text: string): string {
  let binary = ''
  for (const byte of new TextEncoder().encode(text)) binary += String.fromCharCode(byte)
  return btoa(binary)
}

/** Signs that a URL, or the sheet around it, may need encoded. */
const ENCODED = /[#%"'<>()\s\\]/g

/**
 * A literal written for a percent-encoded drawing: what its author encoded stays so, a `%` always, a `#` unless it stood there plain. @param raw the literal as it was
 */
export function encodePercent(literal: string, raw: string): string {
  return literal.replace(ENCODED, (sign) => {
    const encoded = `%${sign.charCodeAt(0).toString(16).padStart(2, '0').toUpperCase()}`
    if (sign === '%') return encoded
    const asAuthor = sign === '#' ? !raw.startsWith('#') : raw.toUpperCase().includes(encoded)
    return asAuthor ? encoded : sign
  })
}

/** A literal as it reads in a percent-encoded drawing. */
export function decodeLiteral(raw: string): string {
  return decodePercent(raw).text
}
