import type { OpaqueKey } from '../color/color.ts'
import type { Occurrence, Use } from '../source/occurrence.ts'

/** What a decision is about: opaque colors by value, all their alphas, and optionally one use only. */
export interface Target {
  readonly colors: readonly OpaqueKey[]
  readonly use?: Use
}

/** What becomes of a target: it takes a role, or is kept as it is. */
export type Becoming = { readonly kind: 'role'; readonly role: string } | { readonly kind: 'keep' }

export interface Decision {
  /** Unique within the plan. */
  readonly id: string
  readonly target: Target
  readonly to: Becoming
}

export function takes(decision: Decision, occurrence: Pick<Occurrence, 'color' | 'use'>): boolean {
  const { colors, use } = decision.target
  return (use === undefined || use === occurrence.use) && colors.includes(occurrence.color)
}

/** Whether `a` limits every dimension of scope at least as tightly as `b`, and one more tightly. */
export function isNarrower(a: Target, b: Target): boolean {
  return a.use !== undefined && b.use === undefined
}

/** The decision that holds, of some that take one place, in the order in which they were made: the narrowest, else the latest. */
export function winning(decisions: readonly Decision[]): Decision | null {
  return decisions.reduce<Decision | null>(
    (best, next) => (best !== null && isNarrower(best.target, next.target) ? best : next),
    null,
  )
}
