import { useEffect, useMemo, useRef, useState } from 'react'
import type { Row } from '../../work/standing.ts'
import { useStable } from '../../work/use-stable.ts'

/** How a row is chosen: alone; marked or not beside others; with all between it and the selected one. */
export type Choosing = 'alone' | 'beside' | 'through'

/** What of a list acts are about. */
export interface Selection {
  /** The row that keys move; null: the list is empty. */
  readonly selected: Row | null
  /** Keys of the rows that are marked. */
  readonly marked: ReadonlySet<string>
  /** The rows that an act is about: the marked ones, else the selected one. */
  readonly acting: readonly Row[]
  choose(key: string, how: Choosing): void
  move(step: number, extend: boolean): void
  /** Marks the selected row, or takes its mark off. */
  mark(): void
  /** Marks all, or takes all marks off. */
  markAll(): void
  clear(): void
}

const NONE: ReadonlySet<string> = new Set()
const NO_ROWS: readonly Row[] = []

/** @param first key of the row that is selected in the beginning; null: the first one */
export function useSelection(listed: readonly Row[], first: string | null): Selection {
  const [selectedKey, setSelectedKey] = useState(first)
  const [markedKeys, setMarkedKeys] = useState(NONE)
  // What leaves the list makes room for what stood behind it.
  const lastAt = useRef(0)
  const found = listed.findIndex(({ key }) => key === selectedKey)
  const at = found >= 0 ? found : Math.min(lastAt.current, listed.length - 1)
  const selected = listed[at] ?? null
  useEffect(() => {
    if (at >= 0) lastAt.current = at
  }, [at])
  const marked = useMemo(
    () => (markedKeys.size === 0 ? NO_ROWS : listed.filter(({ key }) => markedKeys.has(key))),
    [listed, markedKeys],
  )
  const acting = useMemo(() => (marked.length > 0 || !selected ? marked : [selected]), [marked, selected])
  const toggled = (key: string) => {
    const next = new Set(markedKeys)
    if (!next.delete(key)) next.add(key)
    return next
  }
  const choose = useStable((key: string, how: Choosing) => {
    setSelectedKey(key)
    if (how === 'alone') setMarkedKeys(NONE)
    else if (how === 'beside')
      setMarkedKeys(markedKeys.size === 0 && selected ? new Set([selected.key, key]) : toggled(key))
    else {
      const other = listed.findIndex((row) => row.key === key)
      const between = listed.slice(Math.min(at, other), Math.max(at, other) + 1)
      setMarkedKeys(new Set([...markedKeys, ...between.map((row) => row.key)]))
    }
  })
  const move = useStable((step: number, extend: boolean) => {
    const next = listed[Math.min(listed.length - 1, Math.max(0, at + step))]
    if (!next) return
    // Arrows go past marked rows, so that more can be marked further on.
    if (extend) choose(next.key, 'through')
    else setSelectedKey(next.key)
  })
  const mark = useStable(() => {
    if (selected) setMarkedKeys(toggled(selected.key))
  })
  const markAll = useStable(() => setMarkedKeys(markedKeys.size > 0 ? NONE : new Set(listed.map(({ key }) => key))))
  const clear = useStable(() => setMarkedKeys(NONE))
  return { selected, marked: markedKeys, acting, choose, move, mark, markAll, clear }
}
