import type { Color } from '../color/color.ts'
import { inSrgb, type Role, readRoleColor } from '../palette/role.ts'
import { type Decidable, type Decision, takes, winning } from './decision.ts'

/** What the plan makes of one occurrence, and why. */
export type Outcome =
  | { readonly kind: 'open' }
  | { readonly kind: 'keep'; readonly decision: Decision }
  | { readonly kind: 'role'; readonly decision: Decision; readonly role: Role; readonly color: Color }
  /** The role that the decision names is no longer in the palette: the place stays as it is and counts as open. */
  | { readonly kind: 'role-gone'; readonly decision: Decision }

export type Resolve = (place: Decidable) => Outcome

const OPEN: Outcome = { kind: 'open' }

/** Makes the function that answers for each occurrence. Linear in the decisions; each answer looks only at those of its color. */
export function resolver(decisions: readonly Decision[], roles: readonly Role[]): Resolve {
  const byColor = new Map<string, Decision[]>()
  for (const decision of decisions) {
    for (const color of decision.target.colors) {
      const list = byColor.get(color)
      if (list) list.push(decision)
      else byColor.set(color, [decision])
    }
  }
  const colors = new Map(roles.map((role) => [role.id, { role, color: readRoleColor(role.color) }]))
  return (occurrence) => {
    const decision = winning((byColor.get(occurrence.color) ?? []).filter((each) => takes(each, occurrence)))
    if (!decision) return OPEN
    if (decision.to.kind === 'keep') return { kind: 'keep', decision }
    const found = colors.get(decision.to.role)
    if (!found || typeof found.color === 'string') return { kind: 'role-gone', decision }
    return { kind: 'role', decision, role: found.role, color: inSrgb(found.color) }
  }
}

export function isDecided(outcome: Outcome): boolean {
  return outcome.kind === 'keep' || outcome.kind === 'role'
}
