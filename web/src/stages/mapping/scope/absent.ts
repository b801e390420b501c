import type { PagesSeen } from '../../../judging/use-seen.ts'
import type { ScopeReach } from './scope-reach.ts'

/** More selectors are not kept apart in one decision. */
const MOST = 1000

/** The selectors of parts that no page has an element for: a rule for them would match nothing. Empty where not all pages were looked at. */
export function absentSelectors({ part }: ScopeReach, seen: PagesSeen | null): string[] {
  if (!seen?.isWhole) return []
  const selectors = part.flatMap(({ part }) => part?.selectors ?? []).filter(({ within }) => within.length > 0)
  return [...new Set(selectors.flatMap(({ text, within }) => (seen.on(text, within) === 0 ? [text] : [])))].slice(
    0,
    MOST,
  )
}
