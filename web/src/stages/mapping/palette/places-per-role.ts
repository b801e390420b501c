import { type Column, countBy, type Outcome } from '@undo-ink/core'

/** How many places are decided to take each role, by its id; those whose role is gone from the palette too. */
export function placesPerRole({ codes, values }: Column<Outcome>): Map<string, number> {
  const perOutcome = countBy(codes, (code) => code)
  const perRole = new Map<string, number>()
  values.forEach((outcome, code) => {
    const to = outcome.kind === 'role' || outcome.kind === 'role-gone' ? outcome.decision.to : null
    if (to?.kind === 'role') perRole.set(to.role, (perRole.get(to.role) ?? 0) + (perOutcome.get(code) ?? 0))
  })
  return perRole
}
