import { useMemo } from 'react'
import { useCopy, usePlan } from '../work/work.tsx'
import type { Deciding } from './consequence.ts'

/** The plan as it stands, to which decisions would be added. */
export function useDeciding(): Deciding {
  const { sitePages, taking, through } = useCopy()
  const { state, roles } = usePlan()
  const { decisions, confirmations } = state
  return useMemo(
    () => ({ decisions, confirmations, roles, pages: sitePages.pages, taking, through }),
    [decisions, confirmations, roles, sitePages, taking, through],
  )
}
