import { Flex, Text } from '@chakra-ui/react'
import { type Facet, type FacetValue, GROUPINGS, type Grouping, type Viewed } from '@undo-ink/core'
import { useDeferredValue, useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Loading } from '../../components/loading.tsx'
import { Segments } from '../../components/segments.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { count, number } from '../../components/words.ts'
import { PickDialog } from '../../picking/pick-dialog.tsx'
import type { PlaceOf } from '../../work/places.ts'
import { rowsIn } from '../../work/standing.ts'
import { useStable } from '../../work/use-stable.ts'
import { useView } from '../../work/view-store.ts'
import { useClusters, useCopy, type Work } from '../../work/work.tsx'
import { viewOf, writeAddress } from './address.ts'
import { ColorCard } from './color-card.tsx'
import { ColumnMenu } from './column-menu.tsx'
import { ExportMenu } from './export-menu.tsx'
import { FacetChips } from './facet-chips.tsx'
import { FacetMenu } from './facet-menu.tsx'
import { NearestDeclared } from './nearest-declared.tsx'
import { columnsOf } from './place-columns.tsx'
import { PlaceSource } from './place-source.tsx'
import { PlacesTable } from './places-table.tsx'
import { SearchField } from './search-field.tsx'
import { neighbour, placesAlong, STEPS, type Step } from './stepping.ts'
import { useAddress } from './use-address.ts'
import { useStretchInAddress } from './use-stretch-in-address.ts'
import { useViewed } from './use-viewed.ts'
import { ViewsMenu } from './views-menu.tsx'

/** Facets whose values are in sight, with how many of them; those that have more stand behind a button too. */
const CHIPS: readonly (readonly [Facet, number])[] = [
  ['use', 8],
  ['state', 4],
]
const SHOWN = new Map(CHIPS)
const MENUS: readonly Facet[] = ['state', 'standing', 'file', 'heading', 'syntax', 'notation', 'confidence']

const GROUPING_SEGMENTS = GROUPINGS.map((value) => ({ value, text: value === 'color' ? 'colour' : value }))
const NONE: readonly string[] = []
const NO_VALUES: readonly FacetValue[] = []

/** Every place where a color is written by hand, with its source beside it. */
export function LedgerScreen() {
  const { places, colors, taking, snapshot } = useCopy()
  const { rows, clusters } = useClusters()
  const { stretch, chooseStretch } = useView()
  const [address, change] = useAddress()
  useStretchInAddress(address, change)
  const stretchColors = useMemo(
    () =>
      stretch === null || clusters === null ? null : rowsIn(rows, stretch).flatMap(({ cluster }) => cluster.members),
    [rows, clusters, stretch],
  )
  const [whole, setWhole] = useState<Facet | null>(null)
  const view = useMemo(() => viewOf(address, stretchColors, whole), [address, stretchColors, whole])
  const viewed = useViewed(view)
  const [picking, setPicking] = useState(false)
  const [step, setStep] = useState<Step>('colour')
  const place = selectedPlace(address.place, viewed, places)
  // What is beside the table may come a moment later than what is in it.
  const beside = useDeferredValue(place, null)
  const select = useStable((index: number) => {
    const { path, range } = places.at(index)
    change({ place: { path, start: range.start } }, { asStep: true })
  })
  const go = useStable((direction: 1 | -1) => {
    if (place) select(neighbour(placesAlong(step, place, places, rows), place.index, direction))
  })
  const onLetter = useStable((letter: string) => {
    const chosen = STEPS[Number(letter) - 1]
    if (chosen) setStep(chosen)
    else if (letter === 'n' || letter === 'p') go(letter === 'n' ? 1 : -1)
    else return false
    return true
  })
  const onChoose = useStable((facet: Facet, chosen: readonly string[]) =>
    change({ chosen: { ...address.chosen, [facet]: chosen } }),
  )
  const columns = useMemo(() => columnsOf(address.columns, view.grouping), [address.columns, view.grouping])
  const onColumns = useStable((next: readonly string[] | null) => change({ columns: next }))
  const onGrouping = useStable((grouping: Grouping) => change({ grouping }))
  if (!viewed) return <Loading says={`Laying out ${count(places.length, 'place')} …`} />
  const files = places.ledger.columns.path.values.length
  const chips = (facet: Facet, most: number) => (
    <FacetChips
      key={facet}
      facet={facet}
      most={most}
      values={viewed.facets[facet]}
      chosen={address.chosen[facet] ?? NONE}
      onChoose={onChoose}
    />
  )
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="480px">
      <StageHead
        title="Ledger"
        sentence={`${count(places.length, 'place')} where a colour is written by hand, in ${count(files, 'file')} of ${number(snapshot.files.length)}. ${count(taking.count, 'more place takes', 'more places take')} another colour.`}
      >
        <ViewsMenu query={writeAddress(address).toString()} />
        <ExportMenu view={view} />
      </StageHead>
      <Flex gap="2" mb="2" wrap="wrap" align="center">
        <SearchField
          typed={address.typed}
          reach={address.reach}
          onType={(typed) => change({ typed }, { asStep: true })}
          onReach={(reach) => change({ reach }, { asStep: true })}
        />
        <ActButton h="34px" onClick={() => setPicking(true)}>
          Pick …
        </ActButton>
        <PickDialog
          open={picking}
          onClose={() => setPicking(false)}
          beside={(picked) => (
            <NearestDeclared
              picked={picked}
              onFind={(color) => {
                setPicking(false)
                change({ typed: color })
              }}
            />
          )}
        />
        <Segments
          label="Group by"
          says="By"
          segments={GROUPING_SEGMENTS}
          value={view.grouping}
          height={26}
          onChoose={onGrouping}
        />
        <ColumnMenu chosen={address.columns} grouping={view.grouping} onChoose={onColumns} />
        <Flex as="label" align="center" gap="1.5" fontSize="13px" ml="2" cursor="pointer">
          <input
            type="checkbox"
            checked={address.fullStrength}
            onChange={(event) => change({ fullStrength: event.target.checked })}
          />
          Full strength
        </Flex>
      </Flex>
      <Flex gap="1.5" mb="2" wrap="wrap" align="center">
        {stretch !== null ? (
          <ActButton h="26px" onClick={() => chooseStretch(null)}>
            <span aria-hidden>×</span> {stretch.length === 1 ? stretch[0] : count(stretch.length, 'cluster')}
          </ActButton>
        ) : null}
        {CHIPS.map(([facet, most]) => chips(facet, most))}
      </Flex>
      <Flex gap="1.5" mb="3" wrap="wrap" align="center">
        {viewed.facets.origin.length > 1 ? chips('origin', viewed.facets.origin.length) : null}
        {MENUS.filter((facet) => viewed.facets[facet].length > (SHOWN.get(facet) ?? 0)).map((facet) => (
          <FacetMenu
            key={facet}
            facet={facet}
            values={whole === facet ? viewed.facets[facet] : NO_VALUES}
            chosen={address.chosen[facet] ?? NONE}
            onChoose={onChoose}
            onWhole={setWhole}
          />
        ))}
        {Object.values(address.chosen).some((chosen) => chosen.length > 0) ? (
          <ActButton h="26px" px="2" onClick={() => change({ chosen: {} })}>
            Show everything
          </ActButton>
        ) : null}
        <Text fontSize="12px" color="soft" role="status" ml="auto">
          {shownText(viewed, places.length, colors)}
        </Text>
      </Flex>
      <Flex flex={{ base: 'none', lg: '1' }} minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
        <PlacesTable
          viewed={viewed}
          grouping={view.grouping}
          columns={columns}
          fullStrength={address.fullStrength}
          selected={place}
          onSelect={select}
          onLetter={onLetter}
        />
        {beside ? (
          <Flex direction="column" gap="3" flex={{ base: 'none', lg: '0 0 400px' }} minW="0" minH="0">
            <PlaceSource place={beside} step={step} onChooseStep={setStep} onStep={go} />
            <ColorCard place={beside} />
          </Flex>
        ) : null}
      </Flex>
    </Flex>
  )
}

/** The place that the address names, shown or not; else the first that is shown. */
function selectedPlace(
  named: { path: string; start: number } | null,
  viewed: Viewed | null,
  places: Work['places'],
): PlaceOf | null {
  if (viewed?.shown.length === 0) return null
  const index = named && places.inFile(named.path).find((each) => places.ledger.positions.start[each] === named.start)
  const shown = index ?? viewed?.shown[0]
  return shown === undefined ? null : places.at(shown)
}

function shownText({ shown, colors, partly }: Viewed, all: number, allColors: number): string {
  const found =
    shown.length === all
      ? count(allColors, 'colour')
      : `${number(shown.length)} of ${count(all, 'place')} shown, in ${count(colors, 'colour')}`
  return partly === 0
    ? found
    : `${found}. The words of ${count(partly, 'page')} with very many rules are known only in part`
}
