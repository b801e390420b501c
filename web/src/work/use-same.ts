import { useRef } from 'react'

/** The object of before while all its members are the same: what takes it from a context need not be drawn again. */
export function useSame<T extends object>(now: T): T {
  const kept = useRef(now)
  const names = Object.keys(now) as (keyof T)[]
  if (names.some((name) => kept.current[name] !== now[name])) kept.current = now
  return kept.current
}
