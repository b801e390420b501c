import { useSuspenseQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useRef, useState } from 'react'
import { ledgerQuery } from '../../../api/copies.ts'
import { useCopy, usePlan } from '../../../work/work.tsx'
import type { RewriteAnswer, RewriteAsk } from './rewrite.worker.ts'
import type { PlanData, SiteRewrite } from './rewrite-site.ts'

/** What the plan writes. While the next is worked out the last one stays. */
export interface Rewriting {
  /** null: not yet known. */
  readonly rewrite: SiteRewrite | null
  /** Why it could not be worked out; null: it could. */
  readonly failed: string | null
  readonly again: () => void
}

export function useRewrite(): Rewriting {
  const { snapshot, sitePages } = useCopy()
  const { state, roles } = usePlan()
  const { data: received } = useSuspenseQuery(ledgerQuery(snapshot.id))
  const [answer, setAnswer] = useState<Pick<Rewriting, 'rewrite' | 'failed'>>({ rewrite: null, failed: null })
  const [worker, setWorker] = useState<((ask: RewriteAsk) => void) | null>(null)
  const asked = useRef(0)
  const [tries, setTries] = useState(0)
  useEffect(() => {
    const opened = new Worker(new URL('./rewrite.worker.ts', import.meta.url), { type: 'module' })
    const tell = (ask: RewriteAsk) => opened.postMessage(ask)
    const fail = (message: string) => setAnswer((before) => ({ ...before, failed: message }))
    opened.onmessage = ({ data }: MessageEvent<RewriteAnswer>) =>
      data.kind === 'rewritten' ? setAnswer({ rewrite: data.rewrite, failed: null }) : fail(data.message)
    opened.onerror = ({ message }) => fail(message)
    tell({ kind: 'open', bytes: received.bytes, files: new Map(snapshot.files.map(({ path, id }) => [path, id])) })
    setWorker(() => tell)
    return () => opened.terminate()
  }, [received, snapshot])
  const { decisions, confirmations, corrections, insertions } = state
  const { pages } = sitePages
  const plan = useMemo(
    (): PlanData => ({ decisions, roles, pages, confirmations, corrections, insertions }),
    [decisions, roles, pages, confirmations, corrections, insertions],
  )
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is asked again for every try
  useEffect(() => worker?.({ kind: 'rewrite', id: ++asked.current, plan }), [worker, plan, tries])
  return { ...answer, again: () => setTries((before) => before + 1) }
}
