import type { Becoming, Decision, PlanEvent, PlanState, Role, Use } from '@undo-ink/core'
import type { Row } from '../../work/standing.ts'

/** The event that decides a row, all its colors by value. */
export function decide(row: Row, to: Becoming, newId: () => string): PlanEvent {
  return { kind: 'decide', decisions: [decisionOf(row, to, newId())] }
}

export function decisionOf({ cluster, use }: Row, to: Becoming, id: string): Decision {
  const colors = cluster.members.toSorted()
  return { id, target: use === null ? { colors } : { colors, use }, to }
}

/** The decisions that hold for some color of a row, and for the same use or, for a whole cluster, any. */
export function decisionsOf({ cluster, use }: Row, { decisions }: PlanState): Decision[] {
  return decisions.filter(
    ({ target }) =>
      (use === null || target.use === use) && target.colors.some((color) => cluster.members.includes(color)),
  )
}

/** The uses of a cluster that have a decision of their own, which is narrower and holds against one for the whole cluster. */
export function decidedApart(row: Row, state: PlanState): Use[] {
  if (row.use !== null) return []
  return [...new Set(decisionsOf(row, state).flatMap(({ target }) => target.use ?? []))]
}

/** The role under a digit key, counted from 1. */
export function roleAt(roles: readonly Role[], digit: string): Role | null {
  return /^[1-9]$/.test(digit) ? (roles[Number(digit) - 1] ?? null) : null
}
