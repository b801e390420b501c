import { isRewritten, type Outcome, type Resolver } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import { decodeBase64, decodeLiteral, encodeBase64, encodePercent } from '../source/value/data-url.ts'
import type { Edit } from '../text/edit.ts'
import type { Rewritten } from './notation.ts'
import { rewritePaint } from './paint.ts'

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
export function changesInPlace<O extends Occurrence>(
  occurrences: readonly O[],
  { outcome: outcomeOf }: Pick<Resolver, 'outcome'>,
): Change<O>[] {
  const changes: Change<O>[] = []
  for (const occurrence of occurrences) {
    const outcome = outcomeOf(occurrence)
    if (!isRewritten(outcome) || !('decision' in outcome)) continue
    const { text, kept } = literalFor(occurrence, outcome)
    if (text !== occurrence.raw)
      changes.push({ occurrence, replacement: text, decisions: [outcome.decision.id], keptNotation: kept })
  }
  return changes
}

/** What stands in the place of a literal under an outcome; where nothing new is written, the literal itself. */
export function literalFor(occurrence: Occurrence, outcome: Outcome): Rewritten {
  if (outcome.kind === 'inherit') return INHERIT
  if (!('color' in outcome)) return { text: occurrence.raw, kept: true }
  const { color, alpha } = outcome
  if (occurrence.inner?.encoding === 'plain-scalar') {
    const { text, kept } = rewritePaint(occurrence, color, alpha)
    return { text: /^[a-z]/i.test(text) ? text : `"${text}"`, kept }
  }
  if (occurrence.inner?.encoding !== 'percent') return rewritePaint(occurrence, color, alpha)
  const { text, kept } = rewritePaint({ ...occurrence, raw: decodeLiteral(occurrence.raw) }, color, alpha)
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
