import type { Decision } from '@undo-ink/core'
import { useConsequence, usePlanSoFar } from './use-judged.ts'
import { Warnings } from './warnings.tsx'

/** What could be seen or read no more if some decisions were made. @param decisions the same list as long as nothing in it changes */
export function DecisionsWarnings({ decisions }: { decisions: readonly Decision[] }) {
  return <Warnings {...useConsequence(decisions, usePlanSoFar())} />
}
