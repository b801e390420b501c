import type { Color, OpaqueKey } from '../color/color.ts'
import { parseColor } from '../color/literal.ts'
import { inSrgb, type Role, readRoleColor } from '../palette/role.ts'
import { canInherit, type Decidable, type Decision, takes, winning } from './decision.ts'
import { followed } from './follow.ts'

/** What the plan makes of one occurrence, and why. */
export type Outcome =
  | { readonly kind: 'open' }
  | { readonly kind: 'keep'; readonly decision: Decision }
  | { readonly kind: 'role'; readonly decision: Decision; readonly role: Role; readonly color: Color }
  /** A color of no role. `follows`: the color of the site to which it keeps its place; null: none. */
  | {
      readonly kind: 'color'
      readonly decision: Decision
      readonly color: Color
      readonly follows: OpaqueKey | null
    }
  | { readonly kind: 'inherit'; readonly decision: Decision }
  /** The role that the decision names is no longer in the palette: the place stays as it is and counts as open. */
  | { readonly kind: 'role-gone'; readonly decision: Decision }
  /** What it follows is not decided, or follows it: the place stays as it is and counts as open. */
  | { readonly kind: 'lead-open'; readonly decision: Decision }
  /** It cannot take its parent's color there: the place stays as it is and counts as open. */
  | { readonly kind: 'cannot-inherit'; readonly decision: Decision }

export type Resolve = (place: Decidable) => Outcome

const OPEN: Outcome = { kind: 'open' }

/** Longer chains of what follows what lead round. */
const LONGEST_CHAIN = 20

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
  const answer = (place: Decidable, chain: number): Outcome => {
    const decision = winning((byColor.get(place.color) ?? []).filter((each) => takes(each, place)))
    if (!decision) return OPEN
    const { to } = decision
    switch (to.kind) {
      case 'keep':
        return { kind: 'keep', decision }
      case 'inherit':
        return { kind: canInherit(place) ? 'inherit' : 'cannot-inherit', decision }
      case 'role': {
        const found = colors.get(to.role)
        if (!found || typeof found.color === 'string') return { kind: 'role-gone', decision }
        return { kind: 'role', decision, role: found.role, color: inSrgb(found.color) }
      }
      case 'color': {
        const color = readRoleColor(to.color)
        return typeof color === 'string' ? OPEN : { kind: 'color', decision, color: inSrgb(color), follows: null }
      }
      case 'follow': {
        const [own, old] = [parseColor(place.color), parseColor(to.lead)]
        const lead = chain < LONGEST_CHAIN ? answer({ ...place, color: to.lead }, chain + 1) : OPEN
        if (lead.kind === 'keep') return { kind: 'keep', decision }
        const now = paintOf(lead)
        if (!own || !old || !now) return { kind: 'lead-open', decision }
        return { kind: 'color', decision, color: followed(own, old, now), follows: to.lead }
      }
    }
  }
  return (place) => answer(place, 0)
}

/** The color that a place is painted anew with; null: with none. */
export function paintOf(outcome: Outcome): Color | null {
  return outcome.kind === 'role' || outcome.kind === 'color' ? outcome.color : null
}

/** Whether a place is written anew: with a color, or so that it takes its parent's. */
export function isRewritten(outcome: Outcome): boolean {
  return paintOf(outcome) !== null || outcome.kind === 'inherit'
}

export function isDecided(outcome: Outcome): boolean {
  return outcome.kind === 'keep' || isRewritten(outcome)
}
