import { Box, Flex, Text } from '@chakra-ui/react'
import { memo, useMemo } from 'react'
import { Sheet } from '../../components/sheet.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { GridRow, VirtualGrid } from '../../components/virtual-grid.tsx'
import { number, stateText } from '../../components/words.ts'
import type { PlaceOf } from '../../work/places.ts'

const ROW = 31
const COLUMNS = '44px minmax(110px, 1.3fr) minmax(56px, .7fr) minmax(60px, .6fr) minmax(120px, 2fr) 48px'

const HEADS = [
  { text: 'Colour' },
  { text: 'Written as' },
  { text: 'State' },
  { text: 'Paints' },
  { text: 'Subject' },
  { text: 'Line', right: true },
]

type Item =
  | { readonly heading: string | null; readonly path: string; readonly count: number }
  | { readonly place: PlaceOf }

interface PlacesTableProps {
  readonly places: readonly PlaceOf[]
  readonly selected: PlaceOf | null
  onSelect(index: number): void
  onStep(direction: 1 | -1): void
}

/** The places under their files and headings. One row is in the tab order; arrows move along the rows. */
export function PlacesTable({ places, selected, onSelect, onStep }: PlacesTableProps) {
  const items = useMemo(() => grouped(places), [places])
  if (places.length === 0)
    return (
      <Sheet flex="1" p="6">
        <Text color="soft">No place is both: take one of the choices back.</Text>
      </Sheet>
    )
  return (
    <VirtualGrid
      label="Places: arrow keys move"
      columns={COLUMNS}
      heads={HEADS}
      count={items.length}
      heightOf={() => ROW}
      keyOf={(index) => index}
      at={items.findIndex((item) => 'place' in item && item.place === selected)}
      activeId={selected ? rowId(selected) : undefined}
      page={15}
      onMove={(step) => {
        const index = selected === null ? -1 : places.indexOf(selected)
        const next = places[Math.min(places.length - 1, Math.max(0, index + step))]
        if (next) onSelect(next.index)
      }}
      onLetter={(letter) => {
        if (letter !== 'n' && letter !== 'p') return false
        onStep(letter === 'n' ? 1 : -1)
        return true
      }}
      row={(index) => {
        const item = items[index] as Item
        return 'place' in item ? (
          <PlaceRow place={item.place} rowIndex={index + 2} selected={item.place === selected} onSelect={onSelect} />
        ) : (
          <GroupRow {...item} rowIndex={index + 2} />
        )
      }}
    />
  )
}

/** Each run of places of one file and heading, under a line that names them. */
function grouped(places: readonly PlaceOf[]): Item[] {
  const items: Item[] = []
  for (let from = 0; from < places.length; ) {
    const { path, heading } = places[from] as PlaceOf
    let to = from
    while (places[to]?.path === path && places[to]?.heading === heading) to++
    items.push({ path, heading, count: to - from })
    for (const place of places.slice(from, to)) items.push({ place })
    from = to
  }
  return items
}

function GroupRow({
  path,
  heading,
  count,
  rowIndex,
}: {
  path: string
  heading: string | null
  count: number
  rowIndex: number
}) {
  return (
    <Flex
      role="row"
      aria-rowindex={rowIndex}
      h="100%"
      align="center"
      gap="3"
      px="3"
      bg="wash"
      borderBottom="1px solid"
      borderColor="edge"
    >
      <Flex role="gridcell" aria-colspan={6} gap="3" w="100%" align="baseline">
        <Text fontFamily="mono" fontSize="13px">
          {path}
        </Text>
        <Text fontSize="13px" color="soft" truncate>
          {heading}
        </Text>
        <Text ml="auto" fontSize="12px" color="soft">
          {number(count)}
        </Text>
      </Flex>
    </Flex>
  )
}

function rowId(place: PlaceOf): string {
  return `place-${place.index}`
}

interface PlaceRowProps {
  readonly place: PlaceOf
  readonly rowIndex: number
  readonly selected: boolean
  onSelect(index: number): void
}

const PlaceRow = memo(function PlaceRow({ place, rowIndex, selected, onSelect }: PlaceRowProps) {
  return (
    <GridRow
      id={rowId(place)}
      rowIndex={rowIndex}
      selected={selected}
      columns={COLUMNS}
      onSelect={() => onSelect(place.index)}
      fontSize="13px"
    >
      <Box role="gridcell" aria-label={place.color} display="flex">
        <Swatch color={place.color} alpha={place.alpha ?? 1} />
      </Box>
      <Text role="gridcell" fontFamily="mono" truncate title={place.raw}>
        {place.raw}
      </Text>
      <Text role="gridcell" color={place.states.length === 0 ? 'soft' : 'ink'} truncate title={stateText(place.states)}>
        {stateText(place.states)}
      </Text>
      <Text role="gridcell" truncate title={place.property}>
        {place.use}
      </Text>
      <Text role="gridcell" fontFamily="mono" truncate title={place.subjects.join(', ')}>
        {place.variable ?? place.subjects.join(', ')}
      </Text>
      <Text role="gridcell" fontFamily="mono" textAlign="right">
        {place.line}
      </Text>
    </GridRow>
  )
})
