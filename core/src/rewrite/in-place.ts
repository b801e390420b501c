import type { parseColor } from '../color/literal.ts'
import { isRewritten, paintOf, type Resolve } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import { decodeBase64, decodeLiteral, encodeBase64, encodePercent } from '../source/value/data-url.ts'
import type { Edit } from '../text/edit.ts'
import { type Rewritten, rewriteLiteral } from './notation.ts'

/** One place that is written anew. */
export interface Change<O extends Occurrence = Occurrence> {
  readonly occurrence: O
  /** What stands in the place of the literal's text. */
  readonly replacement: string
  /** Ids of those that asked for it. */
  readonly decisions: readonly string[]
  /** Whether the author's notation could be kept. */
  readonly keptNotation: boolean
}

const INHERIT: Rewritten = { text: 'inherit', kept: false }

/** The changes that a plan makes in one file, each literal replaced where it stands. A literal that would read the same gets none. */
export function changesInPlace<O extends Occurrence>(occurrences: readonly O[], resolve: Resolve): Change<O>[] {
  const changes: Change<O>[] = []
  for (const occurrence of occurrences) {
    const outcome = resolve(occurrence)
    if (!isRewritten(outcome) || outcome.kind === 'open') continue
    const color = paintOf(outcome)
    const { text, kept } = color ? rewritten(occurrence, color) : INHERIT
    if (text !== occurrence.raw)
      changes.push({ occurrence, replacement: text, decisions: [outcome.decision.id], keptNotation: kept })
  }
  return changes
}

function rewritten(occurrence: Occurrence, to: NonNullable<ReturnType<typeof parseColor>>): Rewritten {
  if (occurrence.inner?.encoding === 'plain-scalar') {
    const { text, kept } = rewriteLiteral(occurrence, to)
    return { text: /^[a-z]/i.test(text) ? text : `"${text}"`, kept }
  }
  if (occurrence.inner?.encoding !== 'percent') return rewriteLiteral(occurrence, to)
  const { text, kept } = rewriteLiteral({ ...occurrence, raw: decodeLiteral(occurrence.raw) }, to)
  return { text: encodePercent(text, occurrence.raw), kept }
}

/**
 * The edits of one file's changes, in their order: one for each literal, but one for all literals of a base64 payload, which it encodes again.
 * @param text the file's, as received
 */
export function editsOf(text: string, changes: readonly Change[]): Edit[] {
  const edits: Edit[] = []
  const payloads = new Map<number, Change[]>()
  for (const change of changes) {
    const { occurrence, replacement, decisions } = change
    const { range, inner } = occurrence
    if (inner?.encoding !== 'base64') edits.push({ kind: 'replace-literal', range, replacement, decisions })
    else payloads.set(range.start, [...(payloads.get(range.start) ?? []), change])
  }
  for (const inside of payloads.values()) edits.push(payloadEdit(text, inside))
  return edits.toSorted((a, b) => a.range.start - b.range.start)
}

function payloadEdit(text: string, changes: readonly Change[]): Edit {
  const range = (changes[0] as Change).occurrence.range
  const payload = decodeBase64(text.slice(range.start, range.end)) ?? ''
  let drawing = ''
  let at = 0
  for (const { occurrence, replacement } of changes) {
    if (occurrence.inner?.encoding !== 'base64') continue
    drawing += payload.slice(at, occurrence.inner.range.start) + replacement
    at = occurrence.inner.range.end
  }
  const decisions = [...new Set(changes.flatMap((change) => change.decisions))]
  return { kind: 'replace-literal', range, replacement: encodeBase64(drawing + payload.slice(at)), decisions }
}
