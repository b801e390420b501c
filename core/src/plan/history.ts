import type { ByHand } from '../cluster/clusters.ts'
import type { OpaqueKey } from '../color/color.ts'
import type { Confirmation } from './confirmation.ts'
import type { Correction } from './correction.ts'
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

/** The acts that hold, as a list from the last one back. */
interface HeldActs {
  readonly act: Act
  readonly before: HeldActs | null
}

/**
 * A history as it grows, one event after the other: each costs the same, however long it is already. Undo steps back the last act, taking back included; a new act
 * ends redo.
 */
export class PlanFold {
  /** What held after as many events. */
  private readonly held: (HeldActs | null)[] = [null]
  private undone: Act[] = []
  private readonly points: Point[] = []
  private known: PlanState | null = null

  constructor(private readonly start: PlanStart) {}

  /** Number of events. */
  get version(): number {
    return this.held.length - 1
  }

  append(event: PlanEvent): void {
    const done = this.held.at(-1) ?? null
    this.held.push(this.after(done, event))
    this.known = null
  }

  private after(done: HeldActs | null, event: PlanEvent): HeldActs | null {
    switch (event.kind) {
      case 'undo':
        if (done) this.undone.push(done.act)
        return done?.before ?? null
      case 'redo': {
        const act = this.undone.pop()
        return act ? { act, before: done } : done
      }
      case 'point':
        this.points.push({ name: event.name, at: this.version })
        return done
      default:
        this.undone = []
        return { act: event, before: done }
    }
  }

  /** Where the plan stands. Linear in the acts that hold; the same object until another event comes. */
  state(): PlanState {
    this.known ??= {
      ...applyActs(this.start, this.lasting(this.held.at(-1) ?? null)),
      points: [...this.points],
      version: this.version,
      done: actsOf(this.held.at(-1) ?? null),
      undone: [...this.undone],
    }
    return this.known
  }

  /** The acts that count: one that returns to a moment stands for all that held then, and nothing before it counts. */
  private lasting(last: HeldActs | null): readonly Lasting[] {
    const acts: Lasting[] = []
    for (let each = last; each; )
      if (each.act.kind === 'return') each = this.held[each.act.to] ?? null
      else {
        acts.push(each.act)
        each = each.before
      }
    return acts.reverse()
  }
}

function actsOf(last: HeldActs | null): readonly Act[] {
  const acts: Act[] = []
  for (let each = last; each; each = each.before) acts.push(each.act)
  return acts.reverse()
}

/** Where a plan stands after some events. Linear in them. */
export function foldPlan(start: PlanStart, events: readonly PlanEvent[]): PlanState {
  const fold = new PlanFold(start)
  for (const event of events) fold.append(event)
  return fold.state()
}

type Lasting = Exclude<Act, { readonly kind: 'return' }>

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
