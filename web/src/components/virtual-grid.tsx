import { Box, Text } from '@chakra-ui/react'
import { type KeyboardEvent, type MouseEvent, type PointerEvent, type ReactNode, useEffect, useRef } from 'react'
import { letterOf } from '../work/use-keys.ts'
import { useRowWindow } from './row-window.ts'
import { Sheet } from './sheet.tsx'

/** Pixels of the row of column heads, which stays in view. */
const HEAD = 30

export interface GridHead {
  readonly text: string
  /** Columns that it stands over; 1 if left out. */
  readonly span?: number
  readonly right?: boolean
}

interface VirtualGridProps {
  readonly label: string
  /** CSS grid tracks, the same for heads and rows. */
  readonly columns: string
  readonly heads: readonly GridHead[]
  readonly count: number
  /** Pixels; the same function as long as the heights are the same. */
  heightOf(index: number): number
  /** Index of the selected row, which is kept in view; -1: none. */
  readonly at: number
  /** Element id of the selected row. */
  readonly activeId: string | undefined
  /** Rows of a screenful, for PageUp and PageDown. */
  readonly page: number
  /** Whether several rows can be marked. */
  readonly many?: boolean
  /** Moves the selection; beyond the ends it stays at the end. `extend`: what is passed is marked. */
  onMove(step: number, extend: boolean): void
  /** A letter or digit that was pressed; true when it was one of the grid's keys. */
  onLetter(letter: string): boolean
  row(index: number): ReactNode
}

/** A long list of rows in columns. The grid has the focus, arrows move its selection, letters act on it; only rows in view are drawn. */
export function VirtualGrid({
  label,
  columns,
  heads,
  count,
  heightOf,
  at,
  activeId,
  page,
  many = false,
  onMove,
  onLetter,
  row,
}: VirtualGridProps) {
  const scroller = useRef<HTMLDivElement>(null)
  const { height, first, last, top, reveal } = useRowWindow(scroller, count, heightOf, HEAD)
  useEffect(() => {
    if (at >= 0) reveal(at)
  }, [at, reveal])
  const onKeyDown = (event: KeyboardEvent) => {
    const steps: Record<string, number> = {
      ArrowDown: 1,
      ArrowUp: -1,
      PageDown: page,
      PageUp: -page,
      Home: -count,
      End: count,
    }
    const step = steps[event.key]
    const letter = letterOf(event)
    if (step !== undefined) onMove(step, many && event.shiftKey)
    else if (letter === null || !onLetter(letter)) return
    event.preventDefault()
  }
  return (
    <Sheet
      ref={scroller}
      flex={{ base: 'none', lg: '1' }}
      h={{ base: '360px', lg: 'auto' }}
      minH="200px"
      overflow="auto"
      role="grid"
      aria-label={label}
      aria-rowcount={count + 1}
      aria-multiselectable={many || undefined}
      tabIndex={0}
      aria-activedescendant={activeId}
      onKeyDown={onKeyDown}
      css={STYLES}
    >
      <Box
        role="row"
        aria-rowindex={1}
        position="sticky"
        top="0"
        zIndex="1"
        h={`${HEAD}px`}
        display="grid"
        gridTemplateColumns={columns}
        gap="3"
        alignItems="center"
        pl="4"
        pr="3"
        bg="wash"
        borderBottomWidth="1px"
        fontSize="12px"
        color="soft"
      >
        {heads.map(({ text, span = 1, right = false }) => (
          <Text key={text} role="columnheader" gridColumn={`span ${span}`} textAlign={right ? 'right' : 'left'}>
            {text}
          </Text>
        ))}
      </Box>
      <Box position="relative" role="rowgroup" style={{ height }}>
        {Array.from({ length: last - first }, (_, i) => first + i).map((index) => (
          <div
            // Rows that come into sight take over the elements of those that went out of it.
            key={index % (last - first)}
            role="presentation"
            style={{ position: 'absolute', insetInline: 0, top: top(index), height: heightOf(index) }}
          >
            {row(index)}
          </div>
        ))}
      </Box>
    </Sheet>
  )
}

/** Rows and cells are plain elements under the styles of their grid: there are hundreds of them, and each styled by itself would cost a frame. */
const STYLES = {
  '& .grid-row': {
    display: 'grid',
    gap: '3',
    height: '100%',
    paddingInline: '3',
    alignItems: 'center',
    borderBottom: '1px solid',
    borderBottomColor: 'edge',
    borderLeft: '4px solid',
    borderLeftColor: 'transparent',
    bg: 'sheet',
    cursor: 'default',
  },
  '& .grid-row.part': { bg: 'wash' },
  '& .grid-row[aria-selected=true]': { bg: 'tint' },
  '& .grid-row.current': { borderLeftColor: 'ink' },
  '& .grid-row:hover': { bg: 'tint' },
  '& .cell': { minWidth: '0', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap', fontSize: '13px' },
  '& .cell.mono': { fontFamily: 'mono' },
  '& .cell.right': { textAlign: 'right' },
  // Of a path its end says most: what is cut is its beginning.
  '& .cell.path': { direction: 'rtl', textAlign: 'left' },
  '& .cell.soft': { color: 'soft' },
}

interface GridRowProps {
  readonly id: string
  /** From 1, the heads counted. */
  readonly rowIndex: number
  readonly selected: boolean
  /** Whether it is marked beside the selected one. */
  readonly marked?: boolean
  /** CSS grid tracks */
  readonly columns: string
  /** Whether it is a part of the row above. */
  readonly part?: boolean
  /** What makes it something to drag. */
  readonly drag?: { readonly ref: (element: HTMLElement | null) => void; onPointerDown?(event: PointerEvent): void }
  onSelect(event: MouseEvent): void
  readonly children: ReactNode
}

/** One row of a grid; the grid's keys act on the selected one. */
export function GridRow({
  id,
  rowIndex,
  selected,
  marked = false,
  columns,
  part = false,
  drag,
  onSelect,
  children,
}: GridRowProps) {
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the grid has the focus and the keys
    <div
      id={id}
      role="row"
      ref={drag?.ref}
      className={`grid-row${part ? ' part' : ''}${selected ? ' current' : ''}`}
      aria-rowindex={rowIndex}
      aria-selected={selected || marked}
      onClick={onSelect}
      onPointerDown={drag?.onPointerDown}
      style={{ gridTemplateColumns: columns }}
    >
      {children}
    </div>
  )
}
