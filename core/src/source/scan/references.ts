import { decodeHTMLAttribute } from 'entities'
import { type Embedded, part, within } from '../embedded.ts'

const REFERENCE = /&#?\w{1,32};?/y

/** The text written at [start, end), its character references decoded, with the way back. */
export function decodedText(at: Embedded, start: number, end: number): Embedded {
  const raw = at.text.slice(start, end)
  if (!raw.includes('&')) return part(at, start, end)

  let decoded = ''
  const offsets: number[] = []
  for (let i = 0; i < raw.length; ) {
    REFERENCE.lastIndex = i
    const reference = raw[i] === '&' ? (REFERENCE.exec(raw)?.[0] ?? '&') : (raw[i] as string)
    const as = reference.length > 1 ? decodeHTMLAttribute(reference) : reference
    const length = as === reference ? 1 : reference.length
    const piece = as === reference ? (raw[i] as string) : as
    for (let k = 0; k < piece.length; k++) offsets.push(start + i)
    decoded += piece
    i += length
  }
  return within(at, decoded, (offset) => offsets[offset] ?? end)
}
