import { useLayoutEffect, useRef } from 'react'

/** The object of before while all its members are the same: what takes it from a context need not be drawn again. */
export function useSame<T extends object>(now: T): T {
  const names = Object.keys(now) as (keyof T)[]
  return useKept(now, (before) => names.every((name) => before[name] === now[name]))
}

/** A list as it was before as long as it holds the same objects. */
export function useSameItems<T>(list: readonly T[]): readonly T[] {
  return useKept(list, (before) => list.length === before.length && list.every((item, i) => item === before[i]))
}

/** A list as it was before as long as it holds the same, told by ids that never stand for something else. */
export function useSameById<T extends { readonly id: string }>(list: readonly T[]): readonly T[] {
  return useKept(list, (before) => list.length === before.length && list.every(({ id }, i) => id === before[i]?.id))
}

/** Small plain data as it was before as long as it says the same. */
export function useSameByText<T extends object>(now: T): T {
  return useKept(now, (before) => before === now || JSON.stringify(before) === JSON.stringify(now))
}

/**
 * What was drawn last, as long as it is the same. It is noted when the screen is drawn, not while that is made ready: work that React gives up for something
 * more urgent must leave nothing behind, or the urgent drawing would find everything changed.
 */
function useKept<T>(now: T, isSame: (before: T) => boolean): T {
  const drawn = useRef(now)
  const kept = isSame(drawn.current) ? drawn.current : now
  useLayoutEffect(() => {
    drawn.current = kept
  })
  return kept
}
