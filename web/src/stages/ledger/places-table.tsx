import { Flex, Text } from '@chakra-ui/react'
import type { Grouping, Outcome, Viewed } from '@undo-ink/core'
import { memo, useMemo } from 'react'
import { Sheet } from '../../components/sheet.tsx'
import { PlainSwatch, Swatch } from '../../components/swatch.tsx'
import { GridRow, VirtualGrid } from '../../components/virtual-grid.tsx'
import { number, shownPath } from '../../components/words.ts'
import type { PlaceOf } from '../../work/places.ts'
import { useCopy, usePlan } from '../../work/work.tsx'
import type { PlaceColumn } from './place-columns.tsx'
import { placeInRow, rowOfPlace, rowsOf } from './table-rows.ts'

const rowHeight = () => 31

interface PlacesTableProps {
  readonly viewed: Viewed
  readonly grouping: Grouping
  readonly columns: readonly PlaceColumn[]
  readonly fullStrength: boolean
  readonly selected: PlaceOf | null
  onSelect(index: number): void
  /** A letter or digit that was pressed; true when it was one of the table's keys. */
  onLetter(letter: string): boolean
}

/** The places under the groups of a view. The grid is in the tab order; arrows move along the places. */
export const PlacesTable = memo(function PlacesTable({
  viewed,
  grouping,
  columns,
  fullStrength,
  selected,
  onSelect,
  onLetter,
}: PlacesTableProps) {
  const { places } = useCopy()
  const { outcomes } = usePlan()
  const rows = useMemo(() => rowsOf(viewed.groups), [viewed.groups])
  const at = selected ? viewed.shown.indexOf(selected.index) : -1
  const tracks = ['44px', ...columns.map(({ track }) => track)].join(' ')
  const heads = useMemo(
    () => [{ text: 'Colour' }, ...columns.map(({ head, right }) => ({ text: head, ...(right ? { right } : {}) }))],
    [columns],
  )
  if (viewed.shown.length === 0)
    return (
      <Sheet flex="1" p="6" minH="120px">
        <Text color="soft">No place is all of this: widen the search, or take one of the choices back.</Text>
      </Sheet>
    )
  return (
    <VirtualGrid
      label="Places: arrow keys move"
      columns={tracks}
      heads={heads}
      count={rows.count}
      heightOf={rowHeight}
      at={at < 0 ? -1 : rowOfPlace(rows, at)}
      activeId={selected && at >= 0 ? rowId(selected) : undefined}
      page={15}
      onMove={(step) => {
        const next = viewed.shown[Math.min(viewed.shown.length - 1, Math.max(0, at + step))]
        if (next !== undefined) onSelect(next)
      }}
      onLetter={onLetter}
      row={(index) => {
        const { group, position } = placeInRow(rows, index)
        if (position === null)
          return (
            <GroupRow
              first={places.at(viewed.groups.places[group] as number)}
              count={viewed.groups.counts[group] as number}
              distance={viewed.groups.distances?.[group] ?? null}
              grouping={grouping}
              rowIndex={index + 2}
              span={columns.length + 1}
            />
          )
        const place = places.at(viewed.shown[position] as number)
        return (
          <PlaceRow
            place={place}
            outcome={outcomes.values[outcomes.codes[place.index] as number] as Outcome}
            rowIndex={index + 2}
            columns={columns}
            tracks={tracks}
            fullStrength={fullStrength}
            selected={place === selected}
            onSelect={onSelect}
          />
        )
      }}
    />
  )
})

interface GroupRowProps {
  readonly first: PlaceOf
  readonly count: number
  readonly distance: number | null
  readonly grouping: Grouping
  readonly rowIndex: number
  readonly span: number
}

function GroupRow({ first, count, distance, grouping, rowIndex, span }: GroupRowProps) {
  return (
    <Flex
      role="row"
      aria-rowindex={rowIndex}
      h="100%"
      align="center"
      px="3"
      bg="wash"
      borderBottomWidth="1px"
      fontSize="13px"
    >
      <Flex role="gridcell" aria-colspan={span} gap="3" w="100%" align="center" minW="0">
        <GroupName place={first} grouping={grouping} />
        {distance === null ? null : (
          <Text color="soft" whiteSpace="nowrap">
            ΔE {distance.toFixed(2)}
          </Text>
        )}
        <Text ml="auto" fontSize="12px" color="soft">
          {number(count)}
        </Text>
      </Flex>
    </Flex>
  )
}

function GroupName({ place, grouping }: { place: PlaceOf; grouping: Grouping }) {
  switch (grouping) {
    case 'file':
      return (
        <>
          <Text fontFamily="mono" whiteSpace="nowrap">
            {shownPath(place.path)}
          </Text>
          <Text color="soft" truncate title={place.heading ?? undefined}>
            {place.heading}
          </Text>
        </>
      )
    case 'color':
      return (
        <>
          <Swatch color={place.color} size="18px" />
          <Text fontFamily="mono" fontWeight="600" whiteSpace="nowrap">
            {place.color}
          </Text>
        </>
      )
    default: {
      const name = place[grouping]
      return (
        <Text
          fontFamily={grouping === 'heading' ? undefined : 'mono'}
          truncate
          title={name ?? undefined}
          color={name === null ? 'soft' : 'ink'}
        >
          {name ?? `no ${grouping}`}
        </Text>
      )
    }
  }
}

function rowId(place: PlaceOf): string {
  return `place-${place.index}`
}

interface PlaceRowProps {
  readonly place: PlaceOf
  readonly outcome: Outcome
  readonly rowIndex: number
  readonly columns: readonly PlaceColumn[]
  readonly tracks: string
  readonly fullStrength: boolean
  readonly selected: boolean
  onSelect(index: number): void
}

const PlaceRow = memo(function PlaceRow({
  place,
  outcome,
  rowIndex,
  columns,
  tracks,
  fullStrength,
  selected,
  onSelect,
}: PlaceRowProps) {
  return (
    <GridRow
      id={rowId(place)}
      rowIndex={rowIndex}
      selected={selected}
      columns={tracks}
      onSelect={() => onSelect(place.index)}
    >
      <div role="gridcell" aria-label={place.color} className="cell">
        <PlainSwatch color={place.color} alpha={fullStrength ? 1 : (place.alpha ?? 1)} />
      </div>
      {columns.map(({ key, mono, right, path, text, cell }) => {
        const words = text(place, outcome)
        const names = [
          'cell',
          mono ? 'mono' : '',
          right ? 'right' : '',
          path ? 'path' : '',
          words === 'rest' ? 'soft' : '',
        ]
        return (
          <div key={key} role="gridcell" className={names.filter(Boolean).join(' ')} title={words}>
            {cell ? cell(place, outcome) : path ? <bdi dir="ltr">{words}</bdi> : words}
          </div>
        )
      })}
    </GridRow>
  )
})
