import { useRef } from 'react'

/** The object of before while all its members are the same: what takes it from a context need not be drawn again. */
export function useSame<T extends object>(now: T): T {
  const kept = useRef(now)
  const names = Object.keys(now) as (keyof T)[]
  if (names.some((name) => kept.current[name] !== now[name])) kept.current = now
  return kept.current
}

/** A list as it was before as long as it holds the same, told by ids that never stand for something else. */
export function useSameById<T extends { readonly id: string }>(list: readonly T[]): readonly T[] {
  const before = useRef(list)
  const isSame = list.length === before.current.length && list.every(({ id }, i) => id === before.current[i]?.id)
  if (!isSame) before.current = list
  return before.current
}

/** Small plain data as it was before as long as it says the same. */
export function useSameByText<T extends object>(now: T): T {
  const kept = useRef(now)
  if (kept.current !== now && JSON.stringify(kept.current) !== JSON.stringify(now)) kept.current = now
  return kept.current
}
