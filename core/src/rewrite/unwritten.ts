import type { Correction } from '../plan/correction.ts'
import type { Insertion } from '../plan/insertion.ts'
import type { Outcome, Reached } from '../plan/outcome.ts'
import type { RulePart, Unwritable } from '../plan/reach.ts'
import type { Occurrence } from '../source/occurrence.ts'

/** Outcomes of which a decision was made that changes nothing. */
type Refused = Extract<
  Outcome['kind'],
  'possible' | 'role-gone' | 'lead-open' | 'cannot-inherit' | 'cannot-gradient' | 'cannot-alpha'
>

/** Why something that was decided is not written, or not as it was decided. */
export type WhyUnwritten =
  | Refused
  /** A rule for a part of what a place paints cannot be written there. */
  | Unwritable
  /** No block of a rule holds its declaration as a whole. */
  | 'block'
  /** Its list of selectors is not written as it is read. */
  | 'selector'
  /** Nothing can be nested in a pseudo-element. */
  | 'pseudo-element'
  /** Tags of a template stand between the declarations of its rule: a second rule would be without them. */
  | 'template'
  /** A gradient becomes a solid, or a solid a gradient, for all of a value and a rule only. */
  | 'gradient'
  /** The text is not what was decided about. */
  | 'other-text'
  /** The sheet ends within a comment, a string or a block: a rule behind it would be a part of that. */
  | 'open-end'

/** What was decided and is not written. */
export type Unwritten<P extends Occurrence = Occurrence> = { readonly why: WhyUnwritten; readonly decision: string } & (
  | {
      readonly of: 'place'
      readonly place: P
      /** null: the place as a whole. */
      readonly part: RulePart | null
    }
  | { readonly of: 'slip'; readonly correction: Correction }
  | { readonly of: 'rule'; readonly insertion: Insertion }
)

/** What is known before anything is written: decisions for the whole of a place, or for a part of it, that change nothing. */
export function refusedOf<P extends Occurrence>(
  place: P,
  outcome: Outcome,
  reached: readonly Reached[],
): Unwritten<P>[] {
  const of = { of: 'place', place, part: null } as const
  if (outcome.kind === 'possible')
    return reached.slice(-1).map(({ decision }) => ({ ...of, why: 'possible', decision: decision.id }))
  // What a decision for all of the place wins over asks for no rule.
  const behind = reached.slice(reached.findLastIndex(({ reach }) => reach.kind === 'all') + 1)
  const parts = behind.flatMap(({ decision, reach }): Unwritten<P>[] =>
    reach.kind === 'unwritable' ? [{ ...of, why: reach.why, decision: decision.id }] : [],
  )
  return isRefused(outcome) ? [{ ...of, why: outcome.kind, decision: outcome.decision.id }, ...parts] : parts
}

const REFUSED: ReadonlySet<string> = new Set([
  'role-gone',
  'lead-open',
  'cannot-inherit',
  'cannot-gradient',
  'cannot-alpha',
])

export function isRefused(outcome: Outcome): outcome is Extract<Outcome, { kind: Exclude<Refused, 'possible'> }> {
  return REFUSED.has(outcome.kind)
}
