import { Box, Table } from '@chakra-ui/react'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, useRef } from 'react'
import { Sheet } from './sheet.tsx'

const ROW = 34

export interface Column<T> {
  readonly head: string
  readonly width?: string
  readonly right?: boolean
  readonly mono?: boolean
  /** A path: where it is cut, its end is kept. */
  readonly path?: boolean
  /** What the cell shows. */
  cell(item: T): ReactNode
  /** The whole text, where the cell may cut it. */
  title?(item: T): string | undefined
}

interface VirtualTableProps<T> {
  readonly label: string
  readonly items: readonly T[]
  readonly columns: readonly Column<T>[]
  readonly maxHeight?: string
  /** Below it the table scrolls sideways instead of cutting its texts. */
  readonly minWidth?: string
  /** Shown under the heads of a table without rows. */
  readonly empty?: ReactNode
}

/** A long table to be read; only rows in view are drawn. */
export function VirtualTable<T>({ label, items, columns, maxHeight, minWidth = '680px', empty }: VirtualTableProps<T>) {
  const scroller = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  })
  const drawn = virtual.getVirtualItems()
  const before = drawn[0]?.start ?? 0
  const after = virtual.getTotalSize() - (drawn.at(-1)?.end ?? 0)
  return (
    <Sheet ref={scroller} minH="90px" maxH={maxHeight} overflow="auto" tabIndex={0} role="region" aria-label={label}>
      <Table.Root size="sm" tableLayout="fixed" minW={minWidth} aria-rowcount={items.length + 1}>
        <Table.Header position="sticky" top="0" bg="wash" zIndex="1">
          <Table.Row>
            {columns.map(({ head, width, right }) => (
              <Table.ColumnHeader
                key={head}
                w={width}
                textAlign={right ? 'right' : 'left'}
                fontSize="12px"
                fontWeight="400"
                color="soft"
                bg="wash"
              >
                {head}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {before > 0 ? <tr style={{ height: before }} aria-hidden /> : null}
          {drawn.map(({ index, key }) => {
            const item = items[index] as T
            return (
              <Table.Row key={key} h={`${ROW}px`} aria-rowindex={index + 2} bg="sheet">
                {columns.map(({ head, right, mono, path, cell, title }) => (
                  <Table.Cell
                    key={head}
                    py="0"
                    fontSize="13px"
                    textAlign={right ? 'right' : 'left'}
                    fontFamily={mono ? 'mono' : undefined}
                  >
                    <Box truncate title={title?.(item)} {...(path ? { dir: 'rtl', textAlign: 'left' } : {})}>
                      {path ? <bdi dir="ltr">{cell(item)}</bdi> : cell(item)}
                    </Box>
                  </Table.Cell>
                ))}
              </Table.Row>
            )
          })}
          {after > 0 ? <tr style={{ height: after }} aria-hidden /> : null}
        </Table.Body>
      </Table.Root>
      {items.length === 0 ? empty : null}
    </Sheet>
  )
}
