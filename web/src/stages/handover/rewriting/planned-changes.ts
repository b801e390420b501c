import {
  type Change,
  type Decision,
  type Ground,
  groupBy,
  isRewritten,
  type LedgerPlace,
  type OpaqueKey,
  type Outcome,
  opaqueKey,
  paintOf,
  parseColor,
  type Role,
} from '@undo-ink/core'
import { limitsText, partText } from '../../../work/decision-words.ts'
import { becomesText } from '../../../work/standing.ts'

interface Paint {
  readonly color: OpaqueKey
  readonly alpha: number
}

/** One change of the plan, as it is read: what one edit writes for one place, slip or rule. */
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
  /** What of its rule it is about, as a rule of its own behind it; null: the text itself. */
  readonly part: string | null
  /** What the decision is limited to, before what it gives: `line: `; empty: nothing. */
  readonly limits: string
  /** What was decided: changes of one decision have the same. */
  readonly decision: string
  readonly keptNotation: boolean
}

/** What the changes of one file are told with. */
export interface FileFacts {
  readonly path: string
  readonly fileId: string
  readonly lines: number
  readonly roles: readonly Role[]
}

/** The changes of one file in the order of their places; rules for parts stand behind the place that they are of. */
export function plannedChanges(changes: readonly Change<LedgerPlace>[], facts: FileFacts): PlannedChange[] {
  return changes
    .map((change) => plannedChange(change, facts))
    .toSorted((a, b) => a.line - b.line || a.column - b.column)
}

function plannedChange(change: Change<LedgerPlace>, { path, fileId, lines, roles }: FileFacts): PlannedChange {
  const { struck, written, keptNotation } = change
  const common = {
    path,
    fileId,
    raw: struck,
    replacement: written,
    keptNotation,
    heading: null,
    part: null,
    limits: '',
  }
  if (change.of === 'rule') {
    const { id, selector, property, to } = change.insertion
    return {
      ...common,
      key: `rule ${id}`,
      line: lines,
      column: 1,
      was: null,
      becomes: paintOfText(/:\s*(#[\da-f]+);/i.exec(written)?.[1]),
      role: groundText(to, roles),
      part: `${property} of ${selector}, where no rule sets it`,
      decision: 'rules',
    }
  }
  if (change.of === 'slip') {
    const { id, line, column } = change.correction
    const role = isRewritten(change.outcome) ? becomesText(change.outcome) : null
    return {
      ...common,
      key: `slip ${id}`,
      line,
      column,
      was: null,
      becomes: paintOfText(written),
      role,
      decision: 'slips',
    }
  }
  const { place, part, outcome, edit } = change
  const { line, column, heading, color, alpha } = place
  const isWhole = edit.kind === 'change-declaration' && struck !== ''
  return {
    ...common,
    key: `place ${place.index}${part === null && struck !== '' ? '' : ` ${edit.decisions.join(' ')}`}${struck === '' ? ' behind' : ''}`,
    line,
    column,
    heading,
    was: { color, alpha: alpha ?? 1 },
    becomes: paintAfter(place, outcome),
    role: `${becomesText(outcome)}${isWhole ? ', the whole gradient' : ''}`,
    part: part === null ? (struck === '' ? 'declared behind it' : null) : partText(part, place.selector),
    limits: 'decision' in outcome ? limitsBefore(outcome.decision) : '',
    decision: 'decision' in outcome ? outcome.decision.id : '',
  }
}

function paintAfter({ alpha }: LedgerPlace, outcome: Outcome): Paint | null {
  const paint = paintOf(outcome)
  const written = 'alpha' in outcome ? (outcome.alpha ?? alpha) : alpha
  return paint && { color: opaqueKey(paint), alpha: written ?? 1 }
}

function paintOfText(text: string | undefined): Paint | null {
  const color = text === undefined ? null : parseColor(text)
  return color && { color: opaqueKey(color), alpha: color.alpha }
}

function groundText(to: Ground, roles: readonly Role[]): string | null {
  return 'role' in to ? (roles.find((each) => each.id === to.role)?.name ?? null) : to.color
}

function limitsBefore({ target }: Decision): string {
  const { colors: _, ...limits } = target
  const text = limitsText(limits).replace(/^as /, '')
  return text === '' ? '' : `${text}: `
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
