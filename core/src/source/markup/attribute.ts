import { decodeHTMLAttribute } from 'entities'
import { type Embedded, within } from '../embedded.ts'

/** The value of the attribute written at [start, end), its character references decoded, with the way back. */
export function attributeValue(at: Embedded, start: number, end: number): Embedded {
  const written = at.text.slice(start, end)
  const opening = /^[^=]*=\s*["']?/.exec(written)?.[0] ?? written
  const quoted = /["']$/.test(opening)
  const from = start + opening.length
  const raw = at.text.slice(from, quoted ? end - 1 : end)
  if (!raw.includes('&')) return within(at, raw, (offset) => from + offset)

  let decoded = ''
  const offsets: number[] = []
  for (let i = 0; i < raw.length; ) {
    const reference = raw[i] === '&' ? (/^&#?\w{1,32};?/.exec(raw.slice(i, i + 40))?.[0] ?? '&') : (raw[i] as string)
    const as = reference.length > 1 ? decodeHTMLAttribute(reference) : reference
    const length = as === reference ? 1 : reference.length
    const piece = as === reference ? (raw[i] as string) : as
    for (let k = 0; k < piece.length; k++) offsets.push(from + i)
    decoded += piece
    i += length
  }
  return within(at, decoded, (offset) => offsets[offset] ?? from + raw.length)
}
