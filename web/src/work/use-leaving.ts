import { useEffect } from 'react'
import { useBlocker } from 'react-router'
import { useCopy, useSaved } from './work.tsx'

/**
 * Holds back whoever would leave the site, or close the window, while acts are not recorded yet; the way out of the site is gone by itself when they are.
 * @returns what leaves without them; null: nobody is held back
 */
export function useLeaving(): (() => void) | null {
  const { site } = useCopy()
  const saved = useSaved()
  const blocker = useBlocker(({ nextLocation }) => !saved && !nextLocation.pathname.startsWith(`/sites/${site.id}`))
  useEffect(() => {
    if (saved && blocker.state === 'blocked') blocker.proceed()
  }, [saved, blocker])
  useEffect(() => {
    if (saved) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    addEventListener('beforeunload', ask)
    return () => removeEventListener('beforeunload', ask)
  }, [saved])
  return blocker.state === 'blocked' && !saved ? blocker.proceed : null
}
