import { isWithinRegion } from '../selector/region.ts'
import { splitList } from '../selector/selector.ts'
import type { Decision, Scope, Target } from './decision.ts'
import { isNarrowerWidth } from './width.ts'

/** Of one dimension: whether a value takes no more than another does. */
type Within<T> = (value: T, other: T) => boolean

const same: Within<string> = (value, other) => value === other

/** The dimensions of a scope: in these a decision is limited where its scope names a value. */
const SCOPE: { readonly [D in Exclude<keyof Scope, 'absent'>]-?: Within<NonNullable<Scope[D]>> } = {
  file: same,
  heading: same,
  // One selector of a list.
  selector: (value, other) => value === other || splitList(other).includes(value),
  state: same,
  region: isWithinRegion,
  page: same,
  width: isNarrowerWidth,
}

/** Whether one target is limited in every dimension at least as tightly as another. */
function isAsNarrow(a: Target, b: Target): boolean {
  if (b.use !== undefined && a.use !== b.use) return false
  if (b.alphas && !a.alphas?.every((alpha) => b.alphas?.includes(alpha))) return false
  return Object.entries(SCOPE).every(([dimension, isWithin]) => {
    const [own, other] = [a.scope?.[dimension as keyof typeof SCOPE], b.scope?.[dimension as keyof typeof SCOPE]]
    return other === undefined || (own !== undefined && (isWithin as Within<string>)(own, other))
  })
}

/** Whether one target is narrower than another: in no dimension wider, and in one tighter. */
export function isNarrower(a: Target, b: Target): boolean {
  return isAsNarrow(a, b) && !isAsNarrow(b, a)
}

/**
 * The one of some decisions that holds where all of them match: those fall out that another is narrower than; of the rest the latest.
 * @param matching in the order in which they were made
 */
export function holding(matching: readonly Decision[]): Decision | null {
  if (matching.length < 2) return matching[0] ?? null
  return matching.findLast(({ target }) => !matching.some((other) => isNarrower(other.target, target))) ?? null
}
