import {
  becomesSolid,
  type Column,
  type Correction,
  changesInPlace,
  correctedBy,
  type Decision,
  type Insertion,
  insertedRule,
  isRewritten,
  isStop,
  literalFor,
  type OpaqueKey,
  type Outcome,
  opaqueKey,
  type PlanState,
  paintOf,
  parseColor,
  type Resolver,
  type Role,
  writtenPieces,
} from '@undo-ink/core'
import { limitsText, partText } from '../../work/decision-words.ts'
import { groupBy, type PlaceOf, type SitePlaces } from '../../work/places.ts'
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
  /** What of its rule it is about, as a rule of its own behind it; null: the literal itself. */
  readonly part: string | null
  /** What the decision is limited to, before what it gives: `line: `; empty: nothing. */
  readonly limits: string
  /** What was decided: changes of one decision have the same. */
  readonly decision: string
  readonly keptNotation: boolean
}

/** All changes of the plan, by file and position; rules for parts stand behind the place that they are of. */
export function changesOf(
  places: SitePlaces,
  outcomes: Column<Outcome>,
  { decisions, corrections }: Pick<PlanState, 'decisions' | 'corrections'>,
  resolver: Resolver,
): PlannedChange[] {
  const written = changesOfPlaces(places, outcomes, resolver)
  const parts = partlyDecided(places, decisions).flatMap((place) => rulesFor(place, resolver))
  const slips = corrections.map((each) => changeOfSlip(each, places, resolver))
  if (parts.length + slips.length === 0) return written
  return [...written, ...parts, ...slips].toSorted(
    (a, b) => (a.path === b.path ? 0 : a.path < b.path ? -1 : 1) || a.line - b.line || a.column - b.column,
  )
}

function changesOfPlaces(places: SitePlaces, outcomes: Column<Outcome>, resolver: Resolver): PlannedChange[] {
  const taking = Array.from(outcomes.codes.keys()).filter((index) =>
    isRewritten(outcomes.values[outcomes.codes[index] as number] as Outcome),
  )
  const taken = withoutOtherStops(places.some(taking), resolver)
  return changesInPlace(taken, resolver).map(({ occurrence, replacement, decisions, keptNotation }) => {
    const outcome = outcomes.values[outcomes.codes[occurrence.index] as number] as Outcome
    const isSolid = becomesSolid(occurrence, outcome)
    return {
      key: `place ${occurrence.index}`,
      ...changeOf(occurrence, outcome),
      role: `${becomesText(outcome)}${isSolid ? ', the whole gradient' : ''}`,
      replacement,
      part: null,
      decision: decisions.join(' '),
      keptNotation,
    }
  })
}

/** Of a gradient that becomes a solid, the stop that is decided so: the others go with it. */
function withoutOtherStops(taken: readonly PlaceOf[], resolver: Resolver): readonly PlaceOf[] {
  const keyOf = ({ path, selector, property, atRules }: PlaceOf) => JSON.stringify([path, selector, property, atRules])
  const isDecided = (place: PlaceOf) => becomesSolid(place, resolver.outcome(place))
  const solids = new Set(taken.filter(isDecided).map(keyOf))
  if (solids.size === 0) return taken
  return taken.filter((place) => !isStop(place) || isDecided(place) || !solids.has(keyOf(place)))
}

/** The places of which a limited decision may take a part. */
export function partlyDecided(places: SitePlaces, decisions: readonly Decision[]): PlaceOf[] {
  const colors = decisions.flatMap(({ target }) => (target.scope === undefined ? [] : target.colors))
  return places.some(places.ofColors([...new Set(colors)]))
}

function rulesFor(place: PlaceOf, resolver: Resolver): PlannedChange[] {
  return writtenPieces(place, resolver).map(({ part, outcome }) => {
    const { text, kept } = literalFor(place, outcome)
    return {
      key: `place ${place.index} ${outcome.decision.id}`,
      ...changeOf(place, outcome),
      replacement: text,
      part: partText(part, place.selector),
      decision: outcome.decision.id,
      keptNotation: kept,
    }
  })
}

type Placed = 'path' | 'fileId' | 'line' | 'column' | 'heading' | 'raw' | 'was' | 'becomes' | 'role' | 'limits'

function changeOf(place: PlaceOf, outcome: Outcome): Pick<PlannedChange, Placed> {
  const { path, fileId, line, column, heading, raw, color, alpha } = place
  const paint = paintOf(outcome)
  const written = 'alpha' in outcome ? (outcome.alpha ?? alpha) : alpha
  return {
    path,
    fileId,
    line,
    column,
    heading,
    raw,
    was: { color, alpha: alpha ?? 1 },
    becomes: paint && { color: opaqueKey(paint), alpha: written ?? 1 },
    role: becomesText(outcome),
    limits: 'decision' in outcome ? limitsBefore(outcome.decision) : '',
  }
}

function limitsBefore({ target }: Decision): string {
  const { colors: _, ...limits } = target
  const text = limitsText(limits).replace(/^as /, '')
  return text === '' ? '' : `${text}: `
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
    limits: '',
    part: null,
    decision: 'slips',
    keptNotation,
  }
}

/** A rule that is added at the end of a file; null: its role is gone. @param lines of the file */
export function changeOfInsertion(
  insertion: Insertion,
  places: SitePlaces,
  resolver: Resolver,
  roles: readonly Role[],
  lines: number,
): PlannedChange | null {
  const { id, path, selector, property, to } = insertion
  const replacement = insertedRule(insertion, resolver)
  const color = resolver.groundOf(to)
  if (replacement === null || !color) return null
  return {
    key: `rule ${id}`,
    path,
    fileId: places.fileId(path),
    line: lines,
    column: 1,
    heading: null,
    raw: '',
    replacement,
    was: null,
    becomes: { color: opaqueKey(color), alpha: 1 },
    role: 'role' in to ? (roles.find((each) => each.id === to.role)?.name ?? null) : to.color,
    limits: '',
    part: `${property} of ${selector}, where no rule sets it`,
    decision: 'rules',
    keptNotation: true,
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
