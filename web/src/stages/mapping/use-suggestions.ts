import type { Role } from '@undo-ink/core'
import { startTransition, useEffect, useState } from 'react'
import type { SeenColors, Suggestions } from '../../work/ledger-desk.ts'
import { useClusters, usePlan } from '../../work/work.tsx'

const NONE: Suggestions = new Map()

/**
 * What each cluster could become, by its lead; empty until all colors have been looked at, and where the palette has no roles. Worked out aside: for a moment it is
 * of the clusters as they were.
 */
export function useSuggestions(): Suggestions {
  const { desk, roles } = usePlan()
  const { clusters } = useClusters()
  const [told, setTold] = useState<{ readonly roles: readonly Role[]; readonly suggestions: Suggestions } | null>(null)
  useEffect(() => {
    if (!desk || !clusters || roles.length === 0) return
    desk.suggest({ roles, clusters: clusters.map(({ lead, members }) => ({ lead, members })) }, (suggestions) =>
      // Drawn as there is time: whoever drags on meanwhile does not wait for it.
      startTransition(() => setTold({ roles, suggestions })),
    )
  }, [desk, clusters, roles])
  // What is suggested in another palette names roles that may be gone.
  return told?.roles === roles ? told.suggestions : NONE
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
