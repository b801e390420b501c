import type { Becoming, Decision, PlanEvent, PlanState, Role } from '@undo-ink/core'
import { limitsText } from '../../work/decision-words.ts'
import type { Row } from '../../work/standing.ts'

/** The event that decides some rows, all their colors by value. What is wholly kept is held against an act about several. */
export function decide(rows: readonly Row[], to: Becoming, state: PlanState, newId: () => string): PlanEvent | null {
  const open = rows.length > 1 ? rows.filter((row) => !isKept(row)) : rows
  const decisions = open.map((row) => decisionOf(row, to, newId()))
  return decisions.length === 0 ? null : { kind: 'decide', decisions, ...replacing(decisions, state) }
}

/** The decisions that some take the place of: those of the very same targets, limited to nothing but a use. */
export function replacing(decisions: readonly Decision[], state: PlanState): { replaces?: readonly string[] } {
  const keyOf = ({ target: { colors, use } }: Decision) => `${use ?? ''} ${colors.toSorted().join(' ')}`
  const wanted = new Set(decisions.map(keyOf))
  const replaced = state.decisions.filter(
    (held) => held.target.scope === undefined && held.target.alphas === undefined && wanted.has(keyOf(held)),
  )
  return replaced.length === 0 ? {} : { replaces: replaced.map(({ id }) => id) }
}

/** Whether all of a row is kept. */
export function isKept({ shares }: Row): boolean {
  return shares.length > 0 && shares.every(({ kind }) => kind === 'keep')
}

/** The decision that is tried on several rows: on all their colors where they have one use, else on those of the first. */
export function trialOf(rows: readonly Row[], to: Becoming): Decision | null {
  const [first] = rows
  if (!first) return null
  const alike = rows.filter(({ use }) => use === first.use)
  const colors = [...new Set(alike.flatMap(({ cluster }) => cluster.members))].toSorted()
  return { ...decisionOf(first, to, 'trial'), target: first.use === null ? { colors } : { colors, use: first.use } }
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
