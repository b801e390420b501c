import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react'
import type { Stopped } from '../work/stopped.ts'
import { useCopy } from '../work/work.tsx'
import { JudgeDesk } from './judge-desk.ts'

interface Judging {
  /** Where is asked what acts would do; null until it is open. */
  readonly desk: JudgeDesk | null
  readonly stopped: Stopped | null
}

const JudgingContext = createContext<Judging>({ desk: null, stopped: null })

/** Keeps the desk at which is judged for as long as the copy stays. */
export function JudgeProvider({ children }: { children: ReactNode }) {
  const { bytes, apart, sitePages } = useCopy()
  const [desk, setDesk] = useState<JudgeDesk | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const [tries, setTries] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: every try begins anew
  useEffect(() => {
    const opened = new JudgeDesk({ bytes, apart, pages: sitePages.pages }, setMessage)
    setDesk(opened)
    return () => opened.close()
  }, [bytes, apart, sitePages, tries])
  const judging = useMemo((): Judging => {
    const again = () => {
      setMessage(null)
      setTries((before) => before + 1)
    }
    return { desk, stopped: message === null ? null : { what: 'What acts would do cannot be judged', message, again } }
  }, [desk, message])
  return <JudgingContext value={judging}>{children}</JudgingContext>
}

export function useJudging(): Judging {
  return useContext(JudgingContext)
}
