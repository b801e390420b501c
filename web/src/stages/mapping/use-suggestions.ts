import { type OpaqueKey, type Suggestion, suggester, together } from '@undo-ink/core'
import { useEffect, useMemo, useState } from 'react'
import type { SeenColors } from '../../work/ledger-desk.ts'
import { useClusters, usePlan } from '../../work/work.tsx'

/** What each cluster could become, by its lead; empty until all colors have been looked at, and where the palette has no roles. */
export function useSuggestions(): ReadonlyMap<OpaqueKey, readonly Suggestion[]> {
  const { roles } = usePlan()
  const { clusters } = useClusters()
  const seen = useSeenColors()
  const suggest = useMemo(() => suggester(roles), [roles])
  return useMemo(() => {
    if (!clusters || !seen || roles.length === 0) return new Map()
    return suggest(
      clusters.map(({ lead, members }) => ({ lead, seen: together(members.flatMap((key) => seen.get(key) ?? [])) })),
    )
  }, [clusters, seen, roles, suggest])
}

/** What is seen of each color; null until it is known. */
export function useSeenColors(): SeenColors | null {
  const { desk } = usePlan()
  const [seen, setSeen] = useState<SeenColors | null>(null)
  useEffect(() => {
    let isCurrent = true
    void desk?.seenColors().then((answer) => {
      if (isCurrent) setSeen(answer)
    })
    return () => {
      isCurrent = false
    }
  }, [desk])
  return seen
}
