import { Flex, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { count, number, stateText } from '../../components/words.ts'
import { countBy, type PlaceOf } from '../../work/places.ts'
import { rowsIn } from '../../work/standing.ts'
import { useView } from '../../work/view-store.ts'
import { useWork } from '../../work/work.tsx'
import { ColorCard } from './color-card.tsx'
import { PlaceSource } from './place-source.tsx'
import { PlacesTable } from './places-table.tsx'
import { type FacetValue, useFilter } from './use-filter.ts'

/** Every place where a color is written by hand, with its source beside it. */
export function LedgerScreen() {
  const { places, rows, taking, findings, snapshot } = useWork()
  const { stretch, chooseStretch } = useView()
  const inStretch = useMemo(() => {
    if (stretch === null) return places
    return rowsIn(rows, stretch)
      .flatMap((row) => row.places)
      .toSorted((a, b) => a.index - b.index)
  }, [places, rows, stretch])
  const { filter, setFilter, shown, uses, states } = useFilter(inStretch)
  const [selected, setSelected] = useState<number | null>(null)
  const place = shown.find(({ index }) => index === selected) ?? shown[0] ?? null
  const files = countBy(places, ({ path }) => path).size
  const step = (direction: 1 | -1) => place && setSelected(neighbour(places, place, direction).index)
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="480px">
      <StageHead
        title="Ledger"
        sentence={`${count(places.length, 'place')} where a colour is written by hand, in ${count(files, 'file')} of ${snapshot.files.length}. ${number(taking.length + findings.length)} more things are listed apart.`}
      />
      <Flex gap="2" mb="3" wrap="wrap" align="center">
        {stretch !== null ? (
          <ActButton onClick={() => chooseStretch(null)}>
            <span aria-hidden>×</span> {stretch.length === 1 ? stretch[0] : count(stretch.length, 'cluster')}
          </ActButton>
        ) : null}
        <Facet label="Paints" values={uses} chosen={filter.use} onChoose={(use) => setFilter({ ...filter, use })} />
        <Facet
          label="State"
          values={states}
          chosen={filter.state}
          onChoose={(state) => setFilter({ ...filter, state })}
        />
        <Text fontSize="12px" color="soft" role="status" ml="auto">
          {shown.length === places.length ? '' : `${number(shown.length)} of ${number(places.length)} shown`}
        </Text>
      </Flex>
      <Flex flex={{ base: 'none', lg: '1' }} minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
        <PlacesTable places={shown} selected={place} onSelect={setSelected} onStep={step} />
        {place ? (
          <Flex direction="column" gap="3" flex={{ base: 'none', lg: '0 0 400px' }} minW="0" minH="0">
            <PlaceSource place={place} onStep={step} />
            <ColorCard place={place} />
          </Flex>
        ) : null}
      </Flex>
    </Flex>
  )
}

/** The next place of the same color, around the end of the site. */
function neighbour(places: readonly PlaceOf[], place: PlaceOf, direction: 1 | -1): PlaceOf {
  const same = places.filter(({ color }) => color === place.color)
  const at = same.findIndex(({ index }) => index === place.index)
  return same[(at + direction + same.length) % same.length] ?? place
}

interface FacetProps<T> {
  readonly label: string
  readonly values: readonly FacetValue<T>[]
  readonly chosen: T | null
  onChoose(value: T | null): void
}

function Facet<T extends string>({ label, values, chosen, onChoose }: FacetProps<T>) {
  return (
    <Flex role="group" aria-label={label} gap="1.5" mr="4" wrap="wrap" align="center">
      <Text fontSize="12px" color="soft">
        {label}
      </Text>
      {values.map(({ value, count }) => (
        <ActButton
          key={value}
          h="26px"
          px="2"
          main={chosen === value}
          aria-pressed={chosen === value}
          onClick={() => onChoose(chosen === value ? null : value)}
        >
          {value === 'rest' ? stateText([]) : value} <b>{number(count)}</b>
        </ActButton>
      ))}
    </Flex>
  )
}
