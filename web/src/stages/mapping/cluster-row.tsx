import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { useDraggable } from '@dnd-kit/core'
import { type ComponentProps, memo } from 'react'
import { KeyCap } from '../../components/key-cap.tsx'
import { SURROUNDS } from '../../components/surround.ts'
import { HATCHING, Swatch } from '../../components/swatch.tsx'
import { GridRow } from '../../components/virtual-grid.tsx'
import { count, number } from '../../components/words.ts'
import type { Row, Share } from '../../work/standing.ts'
import { useView } from '../../work/view-store.ts'
import { Mark, Steps, Uses } from './cluster-marks.tsx'
import type { Choosing } from './use-selection.ts'

/** Without what it is used for where there is no room. */
export const COLUMNS = {
  wide: '58px minmax(130px, 1fr) minmax(120px, .9fr) 76px minmax(150px, 1.4fr) 124px',
  narrow: '58px minmax(124px, 1fr) 64px minmax(140px, 1.4fr) 124px',
} as const
export type Room = keyof typeof COLUMNS

/** Whether a row has several uses to open into, or is one of them. */
export function canOpen({ use, uses }: Row): boolean {
  return use !== null || uses.length > 1
}

export function rowId({ key }: Row): string {
  return `row-${key.replace(/[^\w]+/g, '-')}`
}

interface ClusterRowProps {
  readonly row: Row
  readonly rowIndex: number
  readonly selected: boolean
  readonly marked: boolean
  readonly opened: boolean
  readonly room: Room
  /** The uses that are decided apart, as a text. */
  readonly apart: string
  /** What is suggested, and why; empty: nothing. */
  readonly suggestion: string
  readonly reason: string
  onTake(row: Row): void
  onSelect(key: string, how: Choosing): void
  onToggle(row: Row): void
}

/** A cluster, or the part of one that has one use, with what becomes of it. */
export const ClusterRow = memo(function ClusterRow({
  row,
  rowIndex,
  selected,
  marked,
  opened,
  room,
  apart,
  suggestion,
  reason,
  onTake,
  onSelect,
  onToggle,
}: ClusterRowProps) {
  const surround = useView((view) => view.surround)
  const part = row.use !== null
  return (
    <DraggableRow
      rowKey={row.key}
      id={rowId(row)}
      rowIndex={rowIndex}
      selected={selected}
      marked={marked}
      columns={COLUMNS[room]}
      onSelect={(event) =>
        onSelect(row.key, event.shiftKey ? 'through' : event.ctrlKey || event.metaKey ? 'beside' : 'alone')
      }
      part={part}
    >
      <Flex role="gridcell" aria-label={row.cluster.lead} h="100%" py={part ? '1' : '2'} pl={part ? '4' : '0'}>
        {part ? (
          <Text alignSelf="center" color="soft" aria-hidden>
            {marked ? '✓' : '└'}
          </Text>
        ) : (
          <Flex p="5px" borderRadius="2px" w="100%" position="relative" style={{ background: SURROUNDS[surround] }}>
            <Swatch color={row.cluster.lead} size="100%" />
            {marked ? <Mark /> : null}
          </Flex>
        )}
      </Flex>
      <Box role="gridcell" minW="0">
        {part ? (
          <Text fontSize="13px">
            as <b>{row.use}</b>, {count(row.count, 'place')}
          </Text>
        ) : (
          <>
            <Text fontFamily="mono" fontSize="13px" truncate>
              {row.cluster.lead}
            </Text>
            <Text fontSize="12px" color="soft" truncate>
              {count(row.count, 'place')}, {count(row.spellings, 'spelling')}
              {row.cluster.byHand ? ', by hand' : ''}
            </Text>
            <Steps row={row} />
          </>
        )}
      </Box>
      {room === 'wide' ? (
        <Box role="gridcell" minW="0">
          {part ? null : <Uses row={row} />}
        </Box>
      ) : null}
      <Flex role="gridcell" h="100%" py={part ? '1.5' : '2'} aria-hidden>
        <Flex w="100%" p={part ? '2px' : '5px'} borderRadius="2px" style={{ background: SURROUNDS[surround] }}>
          {row.shares.map((share) => (
            <Swatch
              key={share.text}
              color={shownPaint(share, row)}
              size="100%"
              style={{ background: shownPaint(share, row) ?? HATCHING, flex: share.count }}
              borderRadius="0"
            />
          ))}
        </Flex>
      </Flex>
      <Box role="gridcell" minW="0">
        <Text fontSize="13px" fontWeight="600" lineClamp={2} title={sharesText(row)}>
          {sharesText(row)}
          {suggestion === '' ? null : (
            <Text as="span" fontWeight="400">
              . Suggested: <b>{suggestion}</b>
            </Text>
          )}
        </Text>
        {suggestion === '' || part ? null : (
          <Text fontSize="12px" color="soft" truncate title={reason}>
            {reason}
          </Text>
        )}
        {apart ? (
          <Text fontSize="12px" color="soft" truncate>
            decided apart: {apart}
          </Text>
        ) : null}
      </Box>
      <Flex role="gridcell" justify="flex-end" gap="1.5">
        {suggestion === '' ? null : (
          <chakra.button
            type="button"
            tabIndex={-1}
            aria-label={`Take what is suggested for ${row.cluster.lead}`}
            onClick={(event) => {
              event.stopPropagation()
              onSelect(row.key, 'alone')
              onTake(row)
            }}
            {...SMALL_BUTTON}
          >
            take {selected ? <KeyCap>T</KeyCap> : null}
          </chakra.button>
        )}
        {!part && row.uses.length > 1 ? (
          <chakra.button
            type="button"
            tabIndex={-1}
            aria-expanded={opened}
            aria-label={`${row.cluster.lead} by use`}
            title={opened ? 'Close its uses' : 'Open into its uses'}
            onClick={(event) => {
              event.stopPropagation()
              onSelect(row.key, 'alone')
              onToggle(row)
            }}
            {...SMALL_BUTTON}
          >
            uses {selected ? <KeyCap>U</KeyCap> : <span aria-hidden>{opened ? '▴' : '▾'}</span>}
          </chakra.button>
        ) : null}
      </Flex>
    </DraggableRow>
  )
})

/** What a drag changes of a row: its cells are not drawn anew when one begins or ends. */
function DraggableRow({ rowKey, ...row }: Omit<ComponentProps<typeof GridRow>, 'drag'> & { readonly rowKey: string }) {
  const { setNodeRef, listeners } = useDraggable({ id: rowKey })
  return <GridRow {...row} drag={{ ref: setNodeRef, ...listeners }} />
}

const SMALL_BUTTON = {
  display: 'inline-flex',
  alignItems: 'center',
  gap: '1',
  h: '28px',
  px: '1.5',
  fontSize: '12px',
  border: '1px solid',
  borderColor: 'strong',
  borderRadius: '3px',
  bg: 'sheet',
  cursor: 'pointer',
  _hover: { bg: 'tint' },
} as const

function shownPaint({ kind, paint }: Share, row: Row): string | null {
  return kind === 'keep' ? row.cluster.lead : paint
}

function sharesText({ shares }: Row): string {
  if (shares.length === 1 && shares[0]) return shares[0].text
  return shares.map(({ kind, text, count }) => `${number(count)} ${kind === 'role' ? 'to ' : ''}${text}`).join(', ')
}
