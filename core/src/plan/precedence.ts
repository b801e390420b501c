import type { Decision, Target } from './decision.ts'

/** The dimensions in which a target can be limited: the place of each is its bit. */
const DIMENSIONS = ['alphas', 'use', 'file', 'heading', 'selector', 'state', 'region', 'page', 'width'] as const

/** The dimensions in which a target is limited, as bits. */
function limits({ alphas, use, scope = {} }: Target): number {
  const given: Readonly<Partial<Record<(typeof DIMENSIONS)[number], unknown>>> = { alphas, use, ...scope }
  return DIMENSIONS.reduce((bits, dimension, i) => (given[dimension] === undefined ? bits : bits | (1 << i)), 0)
}

/**
 * Decisions in the order in which they win over one another, the weakest first: as they were made, but each before all that are narrower than it
 * (limited in every dimension in which it is, and one more). Of those that take a place the last one holds. Quadratic in small numbers: of bits.
 * @param decisions in the order in which they were made
 */
export function inPrecedence(decisions: readonly Decision[]): Decision[] {
  const ordered: { decision: Decision; bits: number }[] = []
  for (const decision of decisions) {
    const bits = limits(decision.target)
    const at = ordered.findIndex(({ bits: other }) => (bits & ~other) === 0 && bits !== other)
    ordered.splice(at < 0 ? ordered.length : at, 0, { decision, bits })
  }
  return ordered.map(({ decision }) => decision)
}
