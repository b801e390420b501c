import { Box, type BoxProps, Text } from '@chakra-ui/react'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type KeyboardEvent, type ReactNode, useEffect, useRef } from 'react'
import { letterOf } from '../work/use-keys.ts'
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
  /** Pixels */
  heightOf(index: number): number
  keyOf(index: number): string | number
  /** Index of the selected row, which is kept in view; -1: none. */
  readonly at: number
  /** Element id of the selected row. */
  readonly activeId: string | undefined
  /** Rows of a screenful, for PageUp and PageDown. */
  readonly page: number
  /** Moves the selection; beyond the ends it stays at the end. */
  onMove(step: number): void
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
  keyOf,
  at,
  activeId,
  page,
  onMove,
  onLetter,
  row,
}: VirtualGridProps) {
  const scroller = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: heightOf,
    getItemKey: keyOf,
    overscan: 8,
    scrollMargin: HEAD,
    scrollPaddingStart: HEAD,
  })
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' })
  }, [at, virtual])
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
    if (step !== undefined) onMove(step)
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
      tabIndex={0}
      aria-activedescendant={activeId}
      onKeyDown={onKeyDown}
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
        borderBottom="1px solid"
        borderColor="edge"
        fontSize="12px"
        color="soft"
      >
        {heads.map(({ text, span = 1, right = false }) => (
          <Text key={text} role="columnheader" gridColumn={`span ${span}`} textAlign={right ? 'right' : 'left'}>
            {text}
          </Text>
        ))}
      </Box>
      <Box position="relative" role="rowgroup" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, key, start, size }) => (
          <Box key={key} position="absolute" insetX="0" role="presentation" style={{ top: start - HEAD, height: size }}>
            {row(index)}
          </Box>
        ))}
      </Box>
    </Sheet>
  )
}

interface GridRowProps extends Omit<BoxProps, 'onSelect'> {
  /** From 1, the heads counted. */
  readonly rowIndex: number
  readonly selected: boolean
  readonly columns: string
  onSelect(): void
}

/** One row of a grid; the grid's keys act on the selected one. */
export function GridRow({ rowIndex, selected, columns, onSelect, ...box }: GridRowProps) {
  return (
    <Box
      role="row"
      aria-rowindex={rowIndex}
      aria-selected={selected}
      onClick={onSelect}
      display="grid"
      gridTemplateColumns={columns}
      gap="3"
      h="100%"
      px="3"
      alignItems="center"
      borderBottom="1px solid"
      borderColor="edge"
      borderLeft="4px solid"
      borderLeftColor={selected ? 'ink' : 'transparent'}
      bg={selected ? 'tint' : 'sheet'}
      cursor="default"
      _hover={{ bg: 'tint' }}
      {...box}
    />
  )
}
