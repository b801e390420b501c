import { useMemo } from 'react'
import { useWork } from '../work/work.tsx'
import type { Deciding } from './consequence.ts'

/** The plan as it stands, to which decisions would be added. */
export function useDeciding(): Deciding {
  const { state, roles, sitePages, taking, through } = useWork()
  const { decisions, confirmations } = state
  return useMemo(
    () => ({ decisions, confirmations, roles, pages: sitePages.pages, taking, through }),
    [decisions, confirmations, roles, sitePages, taking, through],
  )
}
