import { type Correction, overlap } from '../plan/correction.ts'
import type { PlanState } from '../plan/history.ts'
import type { Insertion } from '../plan/insertion.ts'
import type { Outcome, Resolver } from '../plan/outcome.ts'
import type { RulePart } from '../plan/reach.ts'
import type { Occurrence } from '../source/occurrence.ts'
import { readRules } from '../source/read.ts'
import { applyEdits, type Edit, type FileEdits, fileEdits } from '../text/edit.ts'
import { encode, type SourceText } from '../text/source-text.ts'
import { type Corrected, correctedBy, editOf } from './corrections.ts'
import { becomesSolid, changeOf, literalChange } from './declaration.ts'
import { holdingsOf } from './holdings.ts'
import { addedRules } from './insertions.ts'
import { type LiteralChange, literalEdits } from './literals.ts'
import { partRules } from './parts.ts'
import { refusedOf, type Unwritten, type WhyUnwritten } from './unwritten.ts'

/** A plan, ready to be written. */
export interface WritablePlan extends Pick<PlanState, 'corrections' | 'insertions'> {
  readonly resolver: Resolver
}

/** What an edit writes for one place, slip or added rule. */
export type Change<P extends Occurrence = Occurrence> = {
  readonly edit: Edit
  /** What is struck: the literal, or the whole value that it stands in; empty: nothing. */
  readonly struck: string
  /** What is written for it. */
  readonly written: string
  /** Whether the author's notation could be kept. */
  readonly keptNotation: boolean
} & (
  | {
      readonly of: 'place'
      readonly place: P
      /** null: the place as a whole. */
      readonly part: RulePart | null
      readonly outcome: Outcome
    }
  | { readonly of: 'slip'; readonly correction: Correction; readonly outcome: Outcome }
  | { readonly of: 'rule'; readonly insertion: Insertion }
)

/** Everything that a plan does to one file, and what it does not. */
export interface FileRewrite<P extends Occurrence = Occurrence> {
  readonly edits: FileEdits
  readonly changes: readonly Change<P>[]
  /** What was decided and is not written, or not as it was decided. */
  readonly unwritten: readonly Unwritten<P>[]
}

/**
 * Writes a plan into one file: the one way from a source, its places and a plan to edits. No plan makes it fail.
 * @param places of the file, in its order
 */
export function rewriteFile<P extends Occurrence>(
  source: SourceText,
  places: readonly P[],
  { corrections, insertions, resolver }: WritablePlan,
): FileRewrite<P> {
  const { path, text } = source
  const changes: Change<P>[] = []
  const unwritten: Unwritten<P>[] = []
  const outcomes = new Map(places.map((place) => [place, resolver.outcome(place)]))
  const outcomeOf = (place: P) => outcomes.get(place) as Outcome
  const refuse = (place: P, outcome: Outcome, why: WhyUnwritten) => {
    if ('decision' in outcome) unwritten.push({ of: 'place', place, part: null, why, decision: outcome.decision.id })
  }
  const tell = (edit: Edit, literals: readonly LiteralChange<P>[], struck?: string) => {
    for (const { place, text: written, kept } of literals) {
      const told = { struck: struck ?? place.raw, written, keptNotation: kept }
      changes.push({ of: 'place', edit, place, part: null, outcome: outcomeOf(place), ...told })
    }
  }
  const tellSlip = (edit: Edit, { correction, outcome, replacement, keptNotation }: Corrected) => {
    const told = { struck: correction.raw, written: replacement, keptNotation }
    changes.push({ of: 'slip', edit, correction, outcome, ...told })
  }

  for (const place of places) unwritten.push(...refusedOf(place, outcomeOf(place), resolver.reached(place)))
  const slips: Corrected[] = []
  for (const correction of corrections.filter((each) => each.path === path)) {
    const { range, raw, id } = correction
    const isThere =
      text.slice(range.start, range.end) === raw && !slips.some((slip) => overlap(slip.correction, correction))
    if (isThere) slips.push(correctedBy(correction, resolver))
    else unwritten.push({ of: 'slip', correction, why: 'other-text', decision: id })
  }
  const asksForRules = (place: P) =>
    outcomeOf(place).kind === 'gradient' || becomesSolid(place, outcomeOf(place)) || resolver.pieces(place).length > 0
  const rules = slips.length > 0 || places.some(asksForRules) ? readRules(source) : []
  const { rules: held, holderOf, loosePlaces, looseSlips } = holdingsOf(text, rules, places, slips)

  const loose: LiteralChange<P>[] = []
  for (const place of loosePlaces) {
    const outcome = outcomeOf(place)
    const change = literalChange(place, outcome)
    const isPutRight = looseSlips.some(({ correction }) => overlap(correction, { path, range: place.range }))
    if (change.text !== place.raw && !isPutRight) loose.push(change)
    if (outcome.kind === 'gradient' || becomesSolid(place, outcome)) refuse(place, outcome, 'gradient')
  }
  for (const { edit, changes: literals } of literalEdits(text, loose)) tell(edit, literals)
  for (const slip of looseSlips) tellSlip(editOf(slip), slip)

  for (const { holdings } of held)
    for (const holding of holdings.values()) {
      const { written, behind, behindFor, unwritten: left } = changeOf(text, holding, outcomeOf)
      for (const { edit, literals, slip } of written) {
        tell(
          edit,
          literals,
          edit.kind === 'change-declaration' ? text.slice(edit.range.start, edit.range.end) : undefined,
        )
        if (slip) tellSlip(edit, slip)
      }
      for (const { place, outcome, why } of left) refuse(place, outcome, why)
      if (!behindFor) continue
      const at = holding.declaration.end
      const range = { start: at, end: at }
      const edit: Edit = { kind: 'change-declaration', range, replacement: behind, decisions: behindFor.decisions }
      tell(edit, [{ ...behindFor, text: behind }], '')
    }

  const parts = partRules(text, places, holderOf, resolver)
  unwritten.push(...parts.unwritten)
  for (const { edit, pieces } of parts.rules)
    for (const [place, { part, outcome, written }] of pieces)
      changes.push({
        of: 'place',
        edit,
        place,
        part,
        outcome,
        struck: place.raw,
        written: written.text,
        keptNotation: written.kept,
      })

  const added = addedRules(
    source,
    insertions.filter((each) => each.path === path),
    resolver,
  )
  unwritten.push(...added.unwritten)
  for (const { edit, insertion, rule } of added.written)
    changes.push({ of: 'rule', edit, insertion, struck: '', written: rule, keptNotation: true })

  const edits = [...new Set(changes.map(({ edit }) => edit))]
  return { edits: fileEdits(path, text.length, edits), changes, unwritten }
}

/** Whether a plan says anything about a file, told without its text: one that is not touched is written as it came. */
export function touches(
  path: string,
  places: readonly Occurrence[],
  { corrections, insertions, resolver }: WritablePlan,
): boolean {
  return (
    corrections.some((each) => each.path === path) ||
    insertions.some((each) => each.path === path) ||
    places.some((each) => resolver.reached(each).length > 0)
  )
}

/** The bytes of a file after a plan; without an edit the very bytes that its text was decoded from. Throws a RangeError where its encoding lacks a character. */
export function bytesAfter(
  { text, encoding }: SourceText,
  { edits }: Pick<FileRewrite, 'edits'>,
): Uint8Array<ArrayBuffer> {
  return encode(applyEdits(text, edits), encoding)
}
