import type { Becoming, Decision, PlanEvent, PlanState, Role } from '@undo-ink/core'
import { limitsText } from '../../work/decision-words.ts'
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

/** What of a cluster has a decision of its own, narrower than one for the whole cluster, in words. */
export function decidedApart(row: Row, state: PlanState): string[] {
  if (row.use !== null) return []
  return [...new Set(decisionsOf(row, state).map(({ target }) => limitsText(target)))].filter((text) => text !== '')
}

/** The role under a digit key, counted from 1. */
export function roleAt(roles: readonly Role[], digit: string): Role | null {
  return /^[1-9]$/.test(digit) ? (roles[Number(digit) - 1] ?? null) : null
}
