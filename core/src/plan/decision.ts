import type { OpaqueKey } from '../color/color.ts'
import type { State } from '../selector/state.ts'
import type { Occurrence, Use } from '../source/occurrence.ts'

/** Limits a decision to some of the places of its colors: to those that agree in every dimension that is given. */
export interface Scope {
  /** Path of the file. */
  readonly file?: string
  /** The heading, as the audit gives it. */
  readonly heading?: string
  /** The selector list, as the audit gives it. */
  readonly selector?: string
  /** A state that the selector asks for, or rest: none. */
  readonly state?: State | 'rest'
}

/** What a decision is about: opaque colors by value, all their alphas, and optionally one use or one scope only. */
export interface Target {
  readonly colors: readonly OpaqueKey[]
  readonly use?: Use
  readonly scope?: Scope
}

/** What is known of a place that decisions are held against. What is not known agrees with no scope. */
export type Decidable = Pick<Occurrence, 'color' | 'use'> &
  Partial<Pick<Occurrence, 'heading' | 'selector' | 'states' | keyof Inheritable>> & { readonly path?: string }

/** What is asked of a place before its element can take its parent's color there. */
type Inheritable = Pick<Occurrence, 'property' | 'functions' | 'inner' | 'evidence' | 'literalOnly' | 'variable'>

/** What becomes of a target. */
export type Becoming =
  /** It takes a role of the palette, by its id. */
  | { readonly kind: 'role'; readonly role: string }
  /** It takes a color: any CSS notation, opaque. */
  | { readonly kind: 'color'; readonly color: string }
  /** It keeps its place relative to another color of the site, whatever becomes of that. */
  | { readonly kind: 'follow'; readonly lead: OpaqueKey }
  /** Its element takes the color of its parent. */
  | { readonly kind: 'inherit' }
  /** It is kept as it is. */
  | { readonly kind: 'keep' }

export interface Decision {
  /** Unique within the plan. */
  readonly id: string
  readonly target: Target
  readonly to: Becoming
}

export function takes(decision: Decision, place: Decidable): boolean {
  const { colors, use, scope = {} } = decision.target
  return (
    (use === undefined || use === place.use) &&
    (scope.file === undefined || scope.file === place.path) &&
    (scope.heading === undefined || scope.heading === place.heading) &&
    (scope.selector === undefined || scope.selector === place.selector) &&
    (scope.state === undefined || isIn(scope.state, place.states)) &&
    colors.includes(place.color)
  )
}

function isIn(state: State | 'rest', states: readonly State[] | undefined): boolean {
  if (states === undefined) return false
  return state === 'rest' ? states.length === 0 : states.includes(state)
}

/** The dimensions in which a target is limited. */
function limits({ use, scope = {} }: Target): Set<string> {
  const given = Object.entries({ use, ...scope }).filter(([, value]) => value !== undefined)
  return new Set(given.map(([dimension]) => dimension))
}

/** Whether `a` limits every dimension of scope at least as tightly as `b`, and one more tightly. */
export function isNarrower(a: Target, b: Target): boolean {
  const [ours, theirs] = [limits(a), limits(b)]
  return ours.size > theirs.size && [...theirs].every((dimension) => ours.has(dimension))
}

/** The decision that holds, of some that take one place, in the order in which they were made: the narrowest, else the latest. */
export function winning(decisions: readonly Decision[]): Decision | null {
  return decisions.reduce<Decision | null>(
    (best, next) => (best !== null && isNarrower(best.target, next.target) ? best : next),
    null,
  )
}

/** Properties whose whole value is one color that is inherited. */
const INHERITED = /^(?:color|fill|stroke)$/i

/** Whether `inherit` can stand in the place of a literal: it is all of the value of an inherited property. Not where that is not known. */
export function canInherit({ property, functions, inner, evidence, literalOnly, variable }: Decidable): boolean {
  return (
    property !== undefined &&
    INHERITED.test(property) &&
    functions?.length === 0 &&
    inner === null &&
    evidence === null &&
    literalOnly === false &&
    variable === null
  )
}
