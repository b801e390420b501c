import type { LedgerView, Viewed } from '@undo-ink/core'
import { useEffect, useState } from 'react'
import { usePlan } from '../../work/work.tsx'

/** What a view of the ledger shows; the one before until it is there, null before the first. */
export function useViewed(view: LedgerView): Viewed | null {
  const { desk } = usePlan()
  const [viewed, setViewed] = useState<Viewed | null>(() => desk?.recall(view) ?? null)
  useEffect(() => desk?.view(view, setViewed), [desk, view])
  return viewed
}
