import { opaqueKey } from '../color/color.ts'
import { parseLiteral } from '../color/literal.ts'
import type { Correction } from '../plan/correction.ts'
import type { Outcome, Resolver } from '../plan/outcome.ts'
import type { Edit, EditKind } from '../text/edit.ts'
import { rewritePaint } from './paint.ts'

/** A slip that is written anew. */
export interface Corrected {
  readonly kind: EditKind
  readonly correction: Correction
  /** What stands in the place of the slip: what was meant, or what the plan makes of that. */
  readonly replacement: string
  readonly outcome: Outcome
  /** Ids of those that asked for it. */
  readonly decisions: readonly string[]
  /** Whether it is in the notation that was meant. */
  readonly keptNotation: boolean
}

/** What a correction writes under a plan. Of the place nothing is known but its file and its use: decisions limited to more do not take it. */
export function correctedBy(correction: Correction, { outcome: outcomeOf }: Pick<Resolver, 'outcome'>): Corrected {
  const { id, replacement, use, path } = correction
  const literal = parseLiteral(replacement)
  const outcome: Outcome = literal
    ? outcomeOf({ color: opaqueKey(literal.color), use, path })
    : { kind: 'open', inPart: false }
  const plain: Corrected = {
    kind: literal ? 'replace-literal' : 'change-declaration',
    correction,
    replacement,
    outcome,
    decisions: [id],
    keptNotation: true,
  }
  if (!literal || !('color' in outcome)) return plain
  const written = { raw: replacement, notation: literal.notation, alpha: literal.color.alpha }
  const { text, kept } = rewritePaint(written, outcome.color, outcome.alpha)
  return { ...plain, replacement: text, decisions: [id, outcome.decision.id], keptNotation: kept }
}

/** The edit that a corrected slip makes in its file. */
export function editOf({ kind, correction: { range }, replacement, decisions }: Corrected): Edit {
  return { kind, range, replacement, decisions }
}
