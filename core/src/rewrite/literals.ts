import type { Outcome } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import { decodeBase64, decodeLiteral, encodeBase64, encodePercent } from '../source/value/data-url.ts'
import type { Edit } from '../text/edit.ts'
import type { Rewritten } from './notation.ts'
import { rewritePaint } from './paint.ts'

const INHERIT: Rewritten = { text: 'inherit', kept: true }

/** What stands in the place of a literal under an outcome; where nothing new is written, the literal itself. */
export function literalFor(place: Occurrence, outcome: Outcome): Rewritten {
  if (outcome.kind === 'inherit') return INHERIT
  if (!('color' in outcome)) return { text: place.raw, kept: true }
  const { color, alpha } = outcome
  if (isInOldFilter(place) && alpha !== null && alpha < 1 && place.notation !== 'argb') {
    const { text } = rewritePaint({ raw: '#ff000000', notation: 'argb', alpha: 1 }, color, alpha)
    return { text, kept: false }
  }
  if (place.inner?.encoding === 'plain-scalar') {
    const { text, kept } = rewritePaint(place, color, alpha)
    return { text: /^[a-z]/i.test(text) ? text : `"${text}"`, kept }
  }
  if (place.inner?.encoding !== 'percent') return rewritePaint(place, color, alpha)
  const { text, kept } = rewritePaint({ ...place, raw: decodeLiteral(place.raw) }, color, alpha)
  return { text: encodePercent(text, place.raw), kept }
}

/** Filters of old browsers write alpha in front. */
function isInOldFilter({ functions }: Occurrence): boolean {
  return functions[0] === 'progid'
}

/** A literal and what stands in its place. */
export interface LiteralChange<P extends Occurrence = Occurrence> extends Rewritten {
  readonly place: P
  readonly decisions: readonly string[]
}

/**
 * The edits of some literals, each with those that it changes: one for each, but one for all of a base64 payload, which it encodes again.
 * @param text the file's, as received
 */
export function literalEdits<P extends Occurrence>(
  text: string,
  changes: readonly LiteralChange<P>[],
): { readonly edit: Edit; readonly changes: readonly LiteralChange<P>[] }[] {
  const plain = changes.filter(({ place }) => place.inner?.encoding !== 'base64')
  const payloads = new Map<number, LiteralChange<P>[]>()
  for (const change of changes) {
    if (change.place.inner?.encoding !== 'base64') continue
    const { start } = change.place.range
    payloads.set(start, [...(payloads.get(start) ?? []), change])
  }
  return [
    ...plain.map((change) => {
      const { place, text: replacement, decisions } = change
      return {
        edit: { kind: 'replace-literal', range: place.range, replacement, decisions } as const,
        changes: [change],
      }
    }),
    ...[...payloads.values()].map((inside) => ({ edit: payloadEdit(text, inside), changes: inside })),
  ]
}

function payloadEdit(text: string, changes: readonly LiteralChange[]): Edit {
  const { range } = (changes[0] as LiteralChange).place
  const payload = decodeBase64(text.slice(range.start, range.end)) ?? ''
  let drawing = ''
  let at = 0
  for (const { place, text: replacement } of changes) {
    if (place.inner?.encoding !== 'base64') continue
    drawing += payload.slice(at, place.inner.range.start) + replacement
    at = place.inner.range.end
  }
  const decisions = [...new Set(changes.flatMap((change) => change.decisions))]
  return { kind: 'replace-literal', range, replacement: encodeBase64(drawing + payload.slice(at)), decisions }
}
