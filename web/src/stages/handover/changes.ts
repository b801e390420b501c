import {
  type Column,
  type Correction,
  changesInPlace,
  correctedBy,
  isRewritten,
  type OpaqueKey,
  type Outcome,
  opaqueKey,
  paintOf,
  parseColor,
  type Resolver,
} from '@undo-ink/core'
import { groupBy, type SitePlaces } from '../../work/places.ts'
import { becomesText } from '../../work/standing.ts'

interface Paint {
  readonly color: OpaqueKey
  readonly alpha: number
}

/** One change of the plan, as it is read. */
export interface PlannedChange {
  /** The same as long as it is about the same text. */
  readonly key: string
  readonly path: string
  readonly fileId: string
  readonly line: number
  readonly column: number
  readonly heading: string | null
  /** What is struck, and what is written for it. */
  readonly raw: string
  readonly replacement: string
  /** null: a slip, which painted nothing. */
  readonly was: Paint | null
  /** null: no color is written. */
  readonly becomes: Paint | null
  /** The role that it takes; null: a slip is put right as it was meant. */
  readonly role: string | null
  /** What was decided: changes of one decision have the same. */
  readonly decision: string
  readonly keptNotation: boolean
}

/** All changes of the plan, by file and position. */
export function changesOf(
  places: SitePlaces,
  outcomes: Column<Outcome>,
  corrections: readonly Correction[],
  resolver: Resolver,
): PlannedChange[] {
  const written = changesOfPlaces(places, outcomes, resolver)
  if (corrections.length === 0) return written
  const slips = corrections.map((each) => changeOfSlip(each, places, resolver))
  return [...written, ...slips].toSorted(
    (a, b) => (a.path === b.path ? 0 : a.path < b.path ? -1 : 1) || a.line - b.line || a.column - b.column,
  )
}

function changesOfPlaces(places: SitePlaces, outcomes: Column<Outcome>, resolver: Resolver): PlannedChange[] {
  const taking = Array.from(outcomes.codes.keys()).filter((index) =>
    isRewritten(outcomes.values[outcomes.codes[index] as number] as Outcome),
  )
  return changesInPlace(places.some(taking), resolver).map(({ occurrence, replacement, decisions, keptNotation }) => {
    const { index, path, fileId, line, column, heading, raw, color, alpha } = occurrence
    const outcome = outcomes.values[outcomes.codes[index] as number] as Outcome
    const paint = paintOf(outcome)
    return {
      key: `place ${index}`,
      path,
      fileId,
      line,
      column,
      heading,
      raw,
      replacement,
      was: { color, alpha: alpha ?? 1 },
      becomes: paint && { color: opaqueKey(paint), alpha: alpha ?? 1 },
      role: becomesText(outcome),
      decision: decisions.join(' '),
      keptNotation,
    }
  })
}

function changeOfSlip(correction: Correction, places: SitePlaces, resolver: Resolver): PlannedChange {
  const { id, path, line, column, raw } = correction
  const { replacement, outcome, keptNotation } = correctedBy(correction, resolver)
  const color = parseColor(replacement)
  return {
    key: `slip ${id}`,
    path,
    fileId: places.fileId(path),
    line,
    column,
    heading: null,
    raw,
    replacement,
    was: null,
    becomes: color && { color: opaqueKey(color), alpha: color.alpha },
    role: isRewritten(outcome) ? becomesText(outcome) : null,
    decision: 'slips',
    keptNotation,
  }
}

/** Changes that one list entry stands for. */
export interface ChangeGroup {
  readonly key: string
  readonly changes: readonly PlannedChange[]
}

/** One group for each old color and role that a decision brings together, and one for slips; most changes first. */
export function byDecision(changes: readonly PlannedChange[]): ChangeGroup[] {
  return groups(changes, ({ decision }) => decision).toSorted((a, b) => b.changes.length - a.changes.length)
}

export function byFile(changes: readonly PlannedChange[]): ChangeGroup[] {
  return groups(changes, ({ path }) => path)
}

function groups(changes: readonly PlannedChange[], key: (change: PlannedChange) => string): ChangeGroup[] {
  return [...groupBy(changes, key)].map(([key, changes]) => ({ key, changes }))
}
