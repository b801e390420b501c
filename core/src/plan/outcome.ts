import { append } from '../collect.ts'
import type { Color, OpaqueKey } from '../color/color.ts'
import { composite } from '../color/composite.ts'
import { parseColor } from '../color/literal.ts'
import { inSrgb, type Role, readRoleColor } from '../palette/role.ts'
import { type Confirmation, confirmer } from './confirmation.ts'
import { canBecomeGradient, canInherit, canTakeAlpha, type Decidable, type Decision, type Ground } from './decision.ts'
import { followed } from './follow.ts'
import { heldParts, type PartDecision } from './parts.ts'
import { holding } from './precedence.ts'
import { type Reach, type RulePart, reacher, type ScopePage } from './reach.ts'

/** What the plan makes of one occurrence, and why. Colors hold the alpha that is written; null as alpha: the place keeps its own. */
export type Outcome =
  /** Nothing is decided of it as a whole. `inPart`: something is, of a part of what it paints. */
  | { readonly kind: 'open'; readonly inPart: boolean }
  /** It is only possibly a color, and nobody has confirmed it: it takes nothing, whatever is decided. */
  | { readonly kind: 'possible' }
  | { readonly kind: 'keep'; readonly decision: Decision }
  | {
      readonly kind: 'role'
      readonly decision: Decision
      readonly role: Role
      readonly color: Color
      readonly alpha: number | null
    }
  /** A color of no role. `follows`: the color of the site to which it keeps its place; null: none. */
  | {
      readonly kind: 'color'
      readonly decision: Decision
      readonly color: Color
      readonly alpha: number | null
      readonly follows: OpaqueKey | null
    }
  /** A gradient; its first stop stands where none can be shown. */
  | {
      readonly kind: 'gradient'
      readonly decision: Decision
      readonly color: Color
      readonly alpha: null
      readonly stops: readonly Color[]
      readonly angle: number
    }
  | { readonly kind: 'inherit'; readonly decision: Decision }
  /** The role that the decision names is no longer in the palette: the place stays as it is and counts as open. */
  | { readonly kind: 'role-gone'; readonly decision: Decision }
  /** What it follows is not decided, or follows it: the place stays as it is and counts as open. */
  | { readonly kind: 'lead-open'; readonly decision: Decision }
  /** It cannot take its parent's color there: the place stays as it is and counts as open. */
  | { readonly kind: 'cannot-inherit'; readonly decision: Decision }
  /** No gradient can be declared there: the place stays as it is and counts as open. */
  | { readonly kind: 'cannot-gradient'; readonly decision: Decision }
  /** It cannot be given the alpha that was decided: the place stays as it is and counts as open. */
  | { readonly kind: 'cannot-alpha'; readonly decision: Decision }

export type Resolve = (place: Decidable) => Outcome

/** What the plan makes of a part of what a place paints, otherwise than of the rest. */
export interface PartOutcome {
  readonly part: RulePart
  readonly outcome: Exclude<Outcome, { readonly kind: 'open' | 'possible' }>
}

/** A decision about the color of a place, with how much of the place it takes. */
export interface Reached {
  readonly decision: Decision
  readonly reach: Reach
}

/** Answers for each occurrence what the plan makes of it. */
export interface Resolver {
  /** Of all that no narrower part is decided of. */
  readonly outcome: Resolve
  /** The parts that are decided otherwise, a later one winning over an earlier one where both are. */
  readonly pieces: (place: Decidable) => readonly PartOutcome[]
  /** All decisions about its color, the weakest first: the last that takes all of it holds for what no part behind it takes. */
  readonly reached: (place: Decidable) => readonly Reached[]
  /** The color of a role, or that is written out, as a screen shows it; null: the role is gone. */
  readonly groundOf: (ground: Ground) => Color | null
}

const OPEN: Outcome = { kind: 'open', inPart: false }
const OPEN_IN_PART: Outcome = { kind: 'open', inPart: true }
const POSSIBLE: Outcome = { kind: 'possible' }

/** Longer chains of what follows what lead round. */
const LONGEST_CHAIN = 20

/**
 * Linear in the decisions; each answer looks only at those of its color.
 * @param pages of the site, for scopes that name one
 * @param confirmations of places that are only possibly colors; what is not known to be one is taken for sure
 */
export function resolver(
  decisions: readonly Decision[],
  roles: readonly Role[],
  pages: readonly ScopePage[] = [],
  confirmations: readonly Confirmation[] = [],
): Resolver {
  const isConfirmed = confirmer(confirmations)
  const isApart = ({ confidence, path, range }: Decidable) =>
    confidence === 'possible' && !(range && isConfirmed(path, range.start))
  const byColor = new Map<string, Decision[]>()
  const order = new Map(decisions.map((decision, at) => [decision, at]))
  for (const decision of decisions) {
    for (const color of decision.target.colors) {
      append(byColor, color, decision)
    }
  }
  const colors = new Map(roles.map((role) => [role.id, { role, color: readRoleColor(role.color) }]))
  const reachOf = reacher(pages)
  const decisionsOf = (place: Decidable) => byColor.get(place.color) ?? []
  const matchesOf = (place: Decidable) => {
    const wholes: Decision[] = []
    const partials: PartDecision[] = []
    for (const decision of decisionsOf(place)) {
      const reach = reachOf(decision.target, place)
      if (reach.kind === 'all') wholes.push(decision)
      else if (reach.kind === 'part') partials.push({ decision, part: reach.part })
    }
    return { wholes, partials }
  }
  const outcome = (place: Decidable, chain: number): Outcome => {
    const { wholes, partials } = matchesOf(place)
    const decision = holding(wholes)
    if (decision) return made(decision, place, chain)
    const isInPart = chain === 0 && partials.some((each) => isDecided(made(each.decision, place, 0)))
    return isInPart ? OPEN_IN_PART : OPEN
  }
  const partsOf = (place: Decidable): PartOutcome[] => {
    const { wholes, partials } = matchesOf(place)
    return heldParts(wholes, partials, order).map(({ part, decision }) => ({
      part,
      outcome: made(decision, place, 0),
    }))
  }
  const groundOf = (over: Ground): Color | null => {
    const color = 'role' in over ? colors.get(over.role)?.color : readRoleColor(over.color)
    return color === undefined || typeof color === 'string' ? null : inSrgb(color)
  }
  const painted = (
    { alpha, over }: Decision,
    place: Decidable,
    color: Color,
  ): { color: Color; alpha: number | null } => {
    const ground = over === undefined ? null : groundOf(over)
    const own = alpha ?? place.alpha
    // Of a place whose alpha is a variable nobody knows what it shows.
    if (!ground || typeof own !== 'number') return { color, alpha: alpha ?? null }
    return { color: composite({ ...color, alpha: own }, ground), alpha: 1 }
  }
  const made = (decision: Decision, place: Decidable, chain: number): PartOutcome['outcome'] => {
    const outcome = becoming(decision, place, chain)
    const cannot = 'alpha' in outcome && outcome.alpha !== null && !canTakeAlpha(place, outcome.alpha)
    return cannot ? { kind: 'cannot-alpha', decision } : outcome
  }
  const becoming = (decision: Decision, place: Decidable, chain: number): PartOutcome['outcome'] => {
    const { to, over } = decision
    if (over !== undefined && !groundOf(over)) return { kind: 'role-gone', decision }
    switch (to.kind) {
      case 'keep':
        return { kind: 'keep', decision }
      case 'inherit':
        return { kind: canInherit(place) ? 'inherit' : 'cannot-inherit', decision }
      case 'gradient': {
        const stops = to.stops.map(groundOf)
        const [first] = stops
        if (!first || stops.includes(null)) return { kind: 'role-gone', decision }
        if (!canBecomeGradient(place)) return { kind: 'cannot-gradient', decision }
        return { kind: 'gradient', decision, color: first, alpha: null, stops: stops as Color[], angle: to.angle }
      }
      case 'role': {
        const found = colors.get(to.role)
        if (!found || typeof found.color === 'string') return { kind: 'role-gone', decision }
        return { kind: 'role', decision, role: found.role, ...painted(decision, place, inSrgb(found.color)) }
      }
      case 'color': {
        const color = readRoleColor(to.color)
        if (typeof color === 'string') return { kind: 'lead-open', decision }
        return { kind: 'color', decision, ...painted(decision, place, inSrgb(color)), follows: null }
      }
      case 'follow': {
        const [own, old] = [parseColor(place.color), parseColor(to.lead)]
        const lead = chain < LONGEST_CHAIN ? outcome({ ...place, color: to.lead }, chain + 1) : OPEN
        if (lead.kind === 'keep') return { kind: 'keep', decision }
        const now = paintOf(lead)
        if (!own || !old || !now) return { kind: 'lead-open', decision }
        return {
          kind: 'color',
          decision,
          ...painted(decision, place, followed(own, old, now, place.use === 'text')),
          follows: to.lead,
        }
      }
    }
  }
  const reached = (place: Decidable): Reached[] => {
    const all = decisionsOf(place).map((decision) => ({ decision, reach: reachOf(decision.target, place) }))
    const wholes = all.flatMap(({ decision, reach }) => (reach.kind === 'all' ? [decision] : []))
    const whole = holding(wholes)
    const parts = new Set(partsOf(place).map((each) => each.outcome.decision))
    const rank = ({ decision, reach }: Reached) => {
      if (reach.kind === 'all') return decision === whole ? 1 : 0
      // One that cannot be written is told where it would hold.
      const wouldHold = reach.kind === 'unwritable' && holding(inOrder([...wholes, decision])) === decision
      return wouldHold || parts.has(decision) ? 2 : 0
    }
    return all.toSorted((a, b) => rank(a) - rank(b))
  }
  const inOrder = (some: readonly Decision[]) => some.toSorted((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0))
  return {
    outcome: (place) => (isApart(place) ? POSSIBLE : outcome(place, 0)),
    pieces: (place) => (isApart(place) ? [] : partsOf(place)),
    reached: (place) => (isApart(place) ? [] : reached(place)),
    groundOf,
  }
}

/** The color that a place is painted anew with; null: with none. */
export function paintOf(outcome: Outcome): Color | null {
  return 'color' in outcome ? outcome.color : null
}

/** Whether a place is written anew: with a color, or so that it takes its parent's. */
export function isRewritten(outcome: Outcome): boolean {
  return paintOf(outcome) !== null || outcome.kind === 'inherit'
}

/** Whether it is said what becomes of a place, or of a part of what it paints. */
export function isDecided(outcome: Outcome): boolean {
  return outcome.kind === 'keep' || isRewritten(outcome) || (outcome.kind === 'open' && outcome.inPart)
}
