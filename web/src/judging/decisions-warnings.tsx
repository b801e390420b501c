import type { Decision } from '@undo-ink/core'
import { useMemo } from 'react'
import { useCopy } from '../work/work.tsx'
import { consequenceOf } from './consequence.ts'
import { useDeciding } from './use-deciding.ts'
import { Warnings } from './warnings.tsx'

/** What could be seen or read no more if some decisions were made. @param decisions the same list as long as nothing in it changes */
export function DecisionsWarnings({ decisions }: { decisions: readonly Decision[] }) {
  const { places } = useCopy()
  const plan = useDeciding()
  const judgement = useMemo(() => consequenceOf(decisions, places, plan), [decisions, places, plan])
  return <Warnings judgement={judgement} />
}
