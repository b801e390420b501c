import { type RefObject, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react'

/** Rows that are drawn beyond each edge of what is in sight. */
const BEYOND = 4

/** What a list mostly has of the window's height, until its own is known. */
const USUAL = 0.6

/** The rows of a long list that are in sight. */
export interface RowWindow {
  /** Pixels of all rows together. */
  readonly height: number
  readonly first: number
  /** Exclusive */
  readonly last: number
  /** Pixels from the first row to one. */
  top(index: number): number
  /** Scrolls no further than is needed to have a row in sight. */
  reveal(index: number): void
}

/**
 * Which rows of a scroller are in sight. The library that the tables use makes an object for each row whenever their number changes: 30 ms
 * for 200,000, where the sums here take less than one.
 * @param head pixels at the top of the scroller that stay in view, and hide what is under them
 */
export function useRowWindow(
  scroller: RefObject<HTMLElement | null>,
  count: number,
  heightOf: (index: number) => number,
  head: number,
): RowWindow {
  const [sight, setSight] = useState(() => ({ top: 0, height: innerHeight * USUAL }))
  /** The same, to be read without asking the page, which would have to be laid out for the answer. */
  const seen = useRef(sight)
  useLayoutEffect(() => {
    const element = scroller.current
    if (!element) return
    const look = () => {
      seen.current = { top: element.scrollTop, height: element.clientHeight }
      setSight(seen.current)
    }
    // Tells of the first size too, when it is known anyhow: to ask for it here would have the page laid out twice.
    const observer = new ResizeObserver(look)
    observer.observe(element)
    element.addEventListener('scroll', look, { passive: true })
    return () => {
      observer.disconnect()
      element.removeEventListener('scroll', look)
    }
  }, [scroller])
  const tops = useMemo(() => {
    const sums = new Float64Array(count + 1)
    for (let at = 0; at < count; at++) sums[at + 1] = (sums[at] as number) + heightOf(at)
    return sums
  }, [count, heightOf])
  const top = useCallback((index: number) => tops[index] as number, [tops])
  const reveal = useCallback(
    (index: number) => {
      const element = scroller.current
      if (!element) return
      const [above, below] = [top(index), top(index + 1)]
      const visible = seen.current.height - head
      if (above < seen.current.top) element.scrollTop = above
      else if (below > seen.current.top + visible) element.scrollTop = below - visible
    },
    [scroller, top, head],
  )
  const first = Math.max(0, rowAt(tops, sight.top) - BEYOND)
  const last = Math.min(count, rowAt(tops, sight.top + sight.height) + 1 + BEYOND)
  return { height: top(count), first, last, top, reveal }
}

/** The row at a distance from the top; the last for what is beyond. @param tops of each row, and below the last */
export function rowAt(tops: Float64Array, distance: number): number {
  let low = 0
  let high = Math.max(0, tops.length - 2)
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if ((tops[middle] as number) <= distance) low = middle
    else high = middle - 1
  }
  return low
}
