import { isWithinRegion } from '../selector/region.ts'
import type { Decision } from './decision.ts'
import { holding } from './precedence.ts'
import type { RulePart } from './reach.ts'
import { bothWidths, isNarrowerWidth } from './width.ts'

/** A decision about a part of what a place paints. */
export interface PartDecision {
  readonly decision: Decision
  readonly part: RulePart
}

/** What holds for a part of what a place paints. */
export interface HeldPart {
  readonly part: RulePart
  readonly decision: Decision
}

/** Of more parts only each, and each two of them, are told apart. */
const MOST_PARTS = 8

/**
 * The parts of a place for which something else holds than for the rest of it, in an order in which a later one goes before an earlier one where both
 * are. Where several parts meet, what holds is asked anew: it need be none of those that hold for each.
 * @param wholes decisions that take all of the place
 * @param order of all decisions, as they were made
 */
export function heldParts(
  wholes: readonly Decision[],
  partials: readonly PartDecision[],
  order: ReadonlyMap<Decision, number>,
): HeldPart[] {
  if (partials.length === 0) return []
  const whole = holding(wholes)
  const held: (HeldPart & { readonly members: number })[] = []
  for (const chosen of subsets(partials.length)) {
    const part = meetOf(chosen.map((at) => (partials[at] as PartDecision).part))
    // Where a part lies within another, both are met, and with that one.
    const isNever = !part || partials.some((each, at) => !chosen.includes(at) && isWithinPart(part, each.part))
    if (isNever) continue
    const matching = [...wholes, ...chosen.map((at) => (partials[at] as PartDecision).decision)].toSorted(
      (a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0),
    )
    const decision = holding(matching)
    const members = chosen.reduce((bits, at) => bits | (1 << at), 0)
    const before = held.findLast((each) => (each.members & ~members) === 0)?.decision ?? whole
    if (decision && decision !== before) held.push({ part, decision, members })
  }
  return held.map(({ part, decision }) => ({ part, decision }))
}

/** Sets of indices below a number, the smaller first: what lies within another stands behind it. */
function* subsets(count: number): Generator<readonly number[]> {
  const most = count > MOST_PARTS ? 2 : count
  for (let size = 1; size <= most; size++) yield* chosenOf(count, size, 0)
}

function* chosenOf(count: number, size: number, from: number): Generator<readonly number[]> {
  if (size === 0) return yield []
  for (let first = from; first <= count - size; first++)
    for (const rest of chosenOf(count, size - 1, first + 1)) yield [first, ...rest]
}

/** Where some parts of one place meet; null: nowhere. */
function meetOf(parts: readonly RulePart[]): RulePart | null {
  const [first, ...others] = parts
  let met: RulePart | null = first ?? null
  for (const other of others) met = met && meet(met, other)
  return met
}

/** Whether a part is nowhere but where another is. */
function isWithinPart(a: RulePart, b: RulePart): boolean {
  if (b.width !== null && !(a.width !== null && isNarrowerWidth(a.width, b.width))) return false
  return a.selectors.every(({ at, within }) => {
    const other = b.selectors.find((each) => each.at === at)
    return other?.within.every((region) => within.some((own) => isWithinRegion(own, region))) === true
  })
}

function meet(a: RulePart, b: RulePart): RulePart | null {
  const width = bothWidths(a.width, b.width)
  const selectors = a.selectors.flatMap(({ at, text, within }) => {
    const other = b.selectors.find((each) => each.at === at)
    return other ? [{ at, text, within: [...new Set([...within, ...other.within])] }] : []
  })
  return width === 'never' || selectors.length === 0 ? null : { selectors, width }
}
