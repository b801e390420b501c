import type { ByHand } from '../cluster/clusters.ts'
import type { OpaqueKey } from '../color/color.ts'
import type { Confirmation } from './confirmation.ts'
import { type Correction, overlap } from './correction.ts'
import type { Decision } from './decision.ts'
import type { Insertion } from './insertion.ts'

/** One act of the contractor. An act is undone and redone as a whole. */
export type Act =
  /** `replaces`: decisions of the very same target that hold no more, by their ids. */
  | {
      readonly kind: 'decide'
      readonly decisions: readonly Decision[]
      readonly replaces?: readonly string[] | undefined
    }
  | { readonly kind: 'correct'; readonly corrections: readonly Correction[] }
  /** Rules are added where none sets a color. */
  | { readonly kind: 'insert'; readonly insertions: readonly Insertion[] }
  /** Places that are only possibly colors are. */
  | { readonly kind: 'confirm'; readonly confirmations: readonly Confirmation[] }
  /** Of decisions, corrections, insertions and confirmations, by their ids. */
  | { readonly kind: 'take-back'; readonly decisions: readonly string[] }
  | { readonly kind: 'tolerance'; readonly value: number }
  | { readonly kind: 'palette'; readonly version: number }
  /** These colors are one cluster, apart from all others, at every tolerance. */
  | { readonly kind: 'group'; readonly colors: readonly OpaqueKey[] }
  /** These are clustered by the tolerance again. */
  | { readonly kind: 'ungroup'; readonly colors: readonly OpaqueKey[] }
  /** It stands for its cluster. */
  | { readonly kind: 'lead'; readonly color: OpaqueKey }
  /** Everything is as it was after that many events. */
  | { readonly kind: 'return'; readonly to: number }

/** What the append-only history holds: acts, the undoing and redoing of them, and points that are given a name, which change nothing. */
export type PlanEvent =
  | Act
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' }
  | { readonly kind: 'point'; readonly name: string }

/** A moment of the history that was given a name. */
export interface Point {
  readonly name: string
  /** Events up to it. */
  readonly at: number
}

/** Where a plan stands after its events. */
export interface PlanState {
  /** Those that hold, in the order in which they were made. */
  readonly decisions: readonly Decision[]
  /** Those that hold, in the order in which they were made; no two of the same text. */
  readonly corrections: readonly Correction[]
  /** Those that hold, in the order in which they were made. */
  readonly insertions: readonly Insertion[]
  /** Those that hold, in the order in which they were made. */
  readonly confirmations: readonly Confirmation[]
  /** ΔE00 */
  readonly tolerance: number
  readonly paletteVersion: number
  readonly byHand: ByHand
  readonly points: readonly Point[]
  /** Number of events. */
  readonly version: number
  /** The acts that undo would take back next, last one at the end. */
  readonly done: readonly Act[]
  /** The acts that redo would make again, next one at the end. */
  readonly undone: readonly Act[]
}

export interface PlanStart {
  readonly tolerance: number
  readonly paletteVersion: number
}

/** Undo steps back the last act, taking back included; a new act ends redo. Linear in the events. */
export function foldPlan(start: PlanStart, events: readonly PlanEvent[]): PlanState {
  const done: Act[] = []
  let undone: Act[] = []
  const points: Point[] = []
  /** The acts that held after as many events as some act returns to. */
  const held = new Map<number, readonly Act[]>([[0, []]])
  const wanted = new Set(events.flatMap((event) => (event.kind === 'return' ? [event.to] : [])))
  events.forEach((event, i) => {
    if (event.kind === 'undo') {
      const act = done.pop()
      if (act) undone.push(act)
    } else if (event.kind === 'redo') {
      const act = undone.pop()
      if (act) done.push(act)
    } else if (event.kind === 'point') {
      points.push({ name: event.name, at: i })
    } else {
      done.push(event)
      undone = []
    }
    if (wanted.has(i + 1)) held.set(i + 1, [...done])
  })
  return { ...applyActs(start, lasting(done, held)), points, version: events.length, done, undone }
}

type Lasting = Exclude<Act, { readonly kind: 'return' }>

/** The acts that count: one that returns to a moment stands for all that held then, and nothing before it counts. */
function lasting(acts: readonly Act[], held: ReadonlyMap<number, readonly Act[]>): readonly Lasting[] {
  const last = acts.findLastIndex(({ kind }) => kind === 'return')
  const after = acts.slice(last + 1).filter((act): act is Lasting => act.kind !== 'return')
  const back = acts[last]
  return back?.kind === 'return' ? [...lasting(held.get(back.to) ?? [], held), ...after] : after
}

function applyActs(
  start: PlanStart,
  acts: readonly Lasting[],
): Omit<PlanState, 'done' | 'undone' | 'points' | 'version'> {
  let { tolerance, paletteVersion } = start
  const decisions = new Map<string, Decision>()
  const corrections = new Map<string, Correction>()
  const insertions = new Map<string, Insertion>()
  const confirmations = new Map<string, Confirmation>()
  let groups: readonly (readonly OpaqueKey[])[] = []
  let leads: readonly OpaqueKey[] = []
  const without = (colors: readonly OpaqueKey[]) =>
    groups.map((group) => group.filter((color) => !colors.includes(color))).filter((group) => group.length > 0)
  for (const act of acts) {
    switch (act.kind) {
      case 'decide':
        for (const id of act.replaces ?? []) decisions.delete(id)
        for (const decision of act.decisions) decisions.set(decision.id, decision)
        break
      case 'correct':
        for (const correction of act.corrections) corrections.set(correction.id, correction)
        break
      case 'insert':
        for (const insertion of act.insertions) insertions.set(insertion.id, insertion)
        break
      case 'confirm':
        for (const confirmation of act.confirmations) confirmations.set(confirmation.id, confirmation)
        break
      case 'take-back':
        for (const id of act.decisions) {
          decisions.delete(id)
          corrections.delete(id)
          insertions.delete(id)
          confirmations.delete(id)
        }
        break
      case 'tolerance':
        tolerance = act.value
        break
      case 'palette':
        paletteVersion = act.version
        break
      case 'group':
        groups = [...without(act.colors), act.colors]
        break
      case 'ungroup':
        groups = without(act.colors)
        break
      case 'lead':
        leads = [...leads.filter((color) => color !== act.color), act.color]
    }
  }
  return {
    decisions: [...decisions.values()],
    corrections: [...corrections.values()],
    insertions: [...insertions.values()],
    confirmations: [...confirmations.values()],
    tolerance,
    paletteVersion,
    byHand: { groups, leads },
  }
}

export type EventProblem =
  | 'nothing-to-undo'
  | 'nothing-to-redo'
  | 'decision-exists'
  | 'decision-unknown'
  | 'corrected-already'
  | 'not-yet'

/** Why an event can't be added to a plan in this state, or null. */
export function eventProblem(state: PlanState, event: PlanEvent): EventProblem | null {
  const { decisions, corrections, insertions, confirmations } = state
  const holds = (id: string) =>
    [...decisions, ...corrections, ...insertions, ...confirmations].some((each) => each.id === id)
  switch (event.kind) {
    case 'undo':
      return state.done.length === 0 ? 'nothing-to-undo' : null
    case 'redo':
      return state.undone.length === 0 ? 'nothing-to-redo' : null
    case 'decide':
      // What is to be replaced may have been taken back in between: then there is nothing to replace.
      return event.decisions.some(({ id }) => holds(id)) ? 'decision-exists' : null
    case 'insert':
      return event.insertions.some(({ id }) => holds(id)) ? 'decision-exists' : null
    case 'confirm':
      return event.confirmations.some(({ id }) => holds(id)) ? 'decision-exists' : null
    case 'correct': {
      const after = [...corrections, ...event.corrections]
      const isTwice = event.corrections.some((one) => after.some((other) => one !== other && overlap(one, other)))
      if (isTwice) return 'corrected-already'
      return event.corrections.some(({ id }) => holds(id)) ? 'decision-exists' : null
    }
    case 'take-back':
      return event.decisions.every(holds) ? null : 'decision-unknown'
    case 'return':
      return event.to <= state.version ? null : 'not-yet'
    default:
      return null
  }
}
