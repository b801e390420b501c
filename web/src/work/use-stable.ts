import { useCallback, useLayoutEffect, useRef } from 'react'

/** A function that stays the same while it always does what the latest one given does: what gets it need not render again. */
export function useStable<A extends unknown[], R>(latest: (...args: A) => R): (...args: A) => R {
  const current = useRef(latest)
  useLayoutEffect(() => {
    current.current = latest
  })
  return useCallback((...args: A) => current.current(...args), [])
}
