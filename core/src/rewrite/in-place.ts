import type { Resolve } from '../plan/outcome.ts'
import type { Occurrence } from '../source/occurrence.ts'
import type { Edit } from '../text/edit.ts'
import { rewriteLiteral } from './notation.ts'

/** One place that is written anew. */
export interface Change<O extends Occurrence = Occurrence> {
  readonly occurrence: O
  readonly edit: Edit
  /** Whether the author's notation could be kept. */
  readonly keptNotation: boolean
}

/** The changes that a plan makes in one file, each literal replaced where it stands. A literal that would read the same gets no edit. */
export function changesInPlace<O extends Occurrence>(occurrences: readonly O[], resolve: Resolve): Change<O>[] {
  const changes: Change<O>[] = []
  for (const occurrence of occurrences) {
    const outcome = resolve(occurrence)
    if (outcome.kind !== 'role') continue
    const { text, kept } = rewriteLiteral(occurrence, outcome.color)
    if (text === occurrence.raw) continue
    const edit: Edit = {
      kind: 'replace-literal',
      range: occurrence.range,
      replacement: text,
      decisions: [outcome.decision.id],
    }
    changes.push({ occurrence, edit, keptNotation: kept })
  }
  return changes
}
