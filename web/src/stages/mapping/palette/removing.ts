import type { Decision } from '@undo-ink/core'

/** Decisions that give another role to whatever takes one now, with the targets that they have. */
export function decisionsFor(
  decisions: readonly Decision[],
  from: string,
  to: string,
  newId: () => string,
): Decision[] {
  return decisions
    .filter((decision) => decision.to.kind === 'role' && decision.to.role === from)
    .map(({ target }) => ({ id: newId(), target, to: { kind: 'role', role: to } }))
}
