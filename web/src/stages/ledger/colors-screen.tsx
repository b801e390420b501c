import { Box, Flex, Text } from '@chakra-ui/react'
import { countBy } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Segments } from '../../components/segments.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { count, number } from '../../components/words.ts'
import { useStable } from '../../work/use-stable.ts'
import { useClusters, useCopy } from '../../work/work.tsx'
import { ColorPlane } from './color-plane.tsx'
import { type ColorPoint, colorPoints, PLANES, type Plane } from './color-points.ts'
import { toggled } from './facet-chips.tsx'
import { colorPath, placesPath } from './paths.ts'
import { ShareBars } from './share-bars.tsx'

const CHARTS = [...(Object.keys(PLANES) as Plane[]), 'clusters', 'uses'] as const
type Chart = (typeof CHARTS)[number]
const CHART_SEGMENTS = CHARTS.map((value) => ({ value, text: value }))

/** Clusters that are drawn; the table has them all. */
const MOST = 16

/** The colors of the copy where looking is quicker than reading, and the table of the same. */
export function ColorsScreen() {
  const { places, site, colors } = useCopy()
  const { rows } = useClusters()
  const points = useMemo(() => colorPoints(places), [places])
  const [chart, setChart] = useState<Chart>('hue and lightness')
  const [chosen, setChosen] = useState<readonly string[]>([])
  const [isOnly, setOnly] = useState(false)
  const choose = useStable((color: string) => setChosen((now) => toggled(now, color)))
  const chooseInChart = useStable((color: string) => {
    choose(color)
    setOnly(true)
  })
  const chosenSet = useMemo(() => new Set(chosen), [chosen])
  const listed = isOnly && chosen.length > 0 ? points.filter(({ color }) => chosenSet.has(color)) : points
  const columns = useMemo(() => columnsFor(site.id, chosenSet, choose), [site.id, chosenSet, choose])
  const leads = rows.filter(({ cluster }) => cluster.members.some((member) => chosenSet.has(member)))
  return (
    <Flex direction="column" h={{ base: 'auto', lg: '100%' }} minH="520px">
      <StageHead
        title="Colours"
        sentence={`${count(colors, 'colour')} in ${count(places.length, 'place')}. ${chosen.length > 0 ? `${number(chosen.length)} chosen.` : 'Choose some in the chart or the table, and see their places.'}`}
      >
        {chosen.length > 0 ? (
          <>
            <Flex as="label" align="center" gap="1.5" fontSize="13px" cursor="pointer">
              <input type="checkbox" checked={isOnly} onChange={(event) => setOnly(event.target.checked)} />
              Only the chosen in the table
            </Flex>
            <ActButton onClick={() => setChosen([])}>Choose none</ActButton>
            <ActButton main asChild>
              <Link to={placesPath(site.id, { stretch: leads.map(({ cluster }) => cluster.lead) })}>
                See the places of {leads.length === 1 ? 'its cluster' : 'their clusters'}
              </Link>
            </ActButton>
          </>
        ) : null}
      </StageHead>
      <Flex flex="1" minH="0" gap="4" direction={{ base: 'column', lg: 'row' }}>
        <Sheet
          as="section"
          aria-label="Chart"
          flex="1"
          p="3"
          display="flex"
          flexDirection="column"
          minW="0"
          overflow="auto"
        >
          <Flex mb="2">
            <Segments
              label="What the chart shows"
              segments={CHART_SEGMENTS}
              value={chart}
              height={28}
              onChoose={(next) => setChart(next)}
            />
          </Flex>
          <Chosen chart={chart} points={points} chosen={chosenSet} onChoose={chooseInChart} />
        </Sheet>
        <Box flex={{ base: 'none', lg: '0 0 440px' }} minH="0" display="flex" flexDirection="column">
          <VirtualTable
            label="The colours"
            items={listed}
            columns={columns}
            maxHeight="100%"
            minWidth="420px"
            empty={
              <Text p="4" color="soft" fontSize="13px">
                No colour is written by hand in the files that were read.
              </Text>
            }
          />
        </Box>
      </Flex>
    </Flex>
  )
}

interface ChosenProps {
  readonly chart: Chart
  readonly points: readonly ColorPoint[]
  readonly chosen: ReadonlySet<string>
  onChoose(color: string): void
}

function Chosen({ chart, points, chosen, onChoose }: ChosenProps) {
  const { places } = useCopy()
  const { rows } = useClusters()
  const clusters = useMemo(
    () => rows.slice(0, MOST).map(({ cluster }) => ({ name: cluster.lead, count: cluster.count, paint: cluster.lead })),
    [rows],
  )
  const uses = useMemo(() => {
    const { codes, values } = places.ledger.columns.use
    const indices = chosen.size > 0 ? places.ofColors([...chosen]) : codes.keys()
    const counts = countBy(indices, (index) => codes[index] as number)
    return values
      .map((use, code) => ({ name: use as string, count: counts.get(code) ?? 0, paint: '#575757' }))
      .filter(({ count: times }) => times > 0)
      .toSorted((a, b) => b.count - a.count)
  }, [places, chosen])
  if (chart === 'clusters')
    return (
      <ShareBars
        label="How much of the site each cluster carries"
        bars={clusters}
        onChoose={(index) => onChoose(clusters[index]?.name ?? '')}
      />
    )
  if (chart === 'uses') return <ShareBars label="What the colours paint" bars={uses} />
  return <ColorPlane plane={chart} points={points} chosen={chosen} onChoose={onChoose} />
}

function columnsFor(
  siteId: string,
  chosen: ReadonlySet<string>,
  onToggle: (color: string) => void,
): readonly Column<ColorPoint>[] {
  return [
    {
      head: '✓',
      width: '40px',
      cell: ({ color }) => (
        <input
          type="checkbox"
          aria-label={`Choose ${color}`}
          checked={chosen.has(color)}
          onChange={() => onToggle(color)}
        />
      ),
    },
    {
      head: 'Colour',
      mono: true,
      cell: ({ color }) => (
        <Flex as="span" align="center" gap="2" asChild>
          <Link to={colorPath(siteId, color)}>
            <Swatch color={color} size="18px" /> {color}
          </Link>
        </Flex>
      ),
      title: ({ color }) => color,
    },
    { head: 'Places', width: '72px', right: true, cell: ({ places }) => number(places) },
    { head: 'Lightness', width: '84px', right: true, cell: ({ lightness }) => lightness.toFixed(2) },
    { head: 'Chroma', width: '76px', right: true, cell: ({ chroma }) => chroma.toFixed(3) },
    { head: 'Hue', width: '64px', right: true, cell: ({ hue }) => (hue === null ? 'grey' : `${hue.toFixed(0)}°`) },
  ]
}
