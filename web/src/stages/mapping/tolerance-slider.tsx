import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { clusterCounts, LARGEST_TOLERANCE, TOLERANCES } from '@undo-ink/core'
import { useMemo } from 'react'
import { Segments } from '../../components/segments.tsx'
import { count, number } from '../../components/words.ts'
import { useView } from '../../work/view-store.ts'
import { useClusters, usePlan } from '../../work/work.tsx'

/** ΔE00 between two stops of the slider. */
const STEP = 0.1
const STOPS = Array.from({ length: LARGEST_TOLERANCE / STEP + 1 }, (_, i) => Math.round(i) / 10)
const [WIDTH, HEIGHT] = [300, 30]

const SEGMENTS = TOLERANCES.map(({ name, value }) => ({
  value: String(value),
  text: (
    <>
      {name}
      <Box as="span" fontFamily="mono" fontSize="12px">
        ΔE {value}
      </Box>
    </>
  ),
}))

/** How far apart two colors may be and still be one decision: by name, or on the curve of how many clusters there are at each tolerance. */
export function ToleranceSlider() {
  const { state, store } = usePlan()
  const { linkage, rows } = useClusters()
  const { triedTolerance, tryTolerance } = useView()
  const tolerance = triedTolerance ?? state.tolerance
  const counts = useMemo(() => (linkage ? clusterCounts(linkage, STOPS, state.byHand) : []), [linkage, state.byHand])
  const set = (value: number) => {
    if (value !== state.tolerance) store.act({ kind: 'tolerance', value })
    tryTolerance(null)
  }
  const most = Math.max(1, ...counts)
  // The rows follow a moment later while it is dragged.
  const clusters = counts[STOPS.indexOf(tolerance)] ?? rows.length
  const at = (value: number, clusters: number) =>
    `${(value / LARGEST_TOLERANCE) * WIDTH},${HEIGHT - 2 - (clusters / most) * (HEIGHT - 6)}`
  const name = TOLERANCES.findLast(({ value }) => value <= tolerance)?.name ?? 'not to be told apart'
  return (
    <Flex direction="column" align={{ base: 'flex-start', lg: 'flex-end' }} gap="1">
      <Segments
        label="Tolerance, ΔE00"
        says="One colour when closer than"
        segments={SEGMENTS}
        value={String(tolerance)}
        height={26}
        onChoose={(value) => set(Number(value))}
      />
      <Flex align="center" gap="3" rowGap="1" wrap={{ base: 'wrap', lg: 'nowrap' }}>
        <Text fontSize="12px" whiteSpace="nowrap">
          <Text as="span" fontFamily="mono" fontWeight="600">
            ΔE {tolerance.toFixed(1)}
          </Text>{' '}
          <Text as="span" color="soft">
            {name}, {count(clusters, 'cluster')}
          </Text>
        </Text>
        <Box position="relative" w={`${WIDTH}px`} h={`${HEIGHT}px`}>
          <svg width={WIDTH} height={HEIGHT} aria-hidden="true" style={{ position: 'absolute', inset: 0 }}>
            <polyline
              points={STOPS.map((value, i) => at(value, counts[i] ?? 0)).join(' ')}
              fill="none"
              stroke="#767676"
              strokeWidth="1.5"
            />
            <line x1="0" x2={WIDTH} y1={HEIGHT - 1} y2={HEIGHT - 1} stroke="#c9c9c9" />
          </svg>
          <chakra.input
            type="range"
            aria-label="Tolerance on the curve of clusters, ΔE00"
            aria-valuetext={`ΔE ${tolerance}, ${name}: ${number(clusters)} clusters`}
            min={0}
            max={LARGEST_TOLERANCE}
            step={STEP}
            value={tolerance}
            onChange={(event) => tryTolerance(Number(event.target.value))}
            onPointerUp={(event) => set(Number(event.currentTarget.value))}
            onKeyUp={(event) => set(Number(event.currentTarget.value))}
            onBlur={(event) => set(Number(event.currentTarget.value))}
            css={RANGE}
          />
        </Box>
      </Flex>
    </Flex>
  )
}

/** Only the thumb: the curve is its track. */
const THUMB = { width: '9px', height: '24px', background: 'var(--chakra-colors-ink)', border: '0', borderRadius: '1px' }
const RANGE = {
  position: 'absolute',
  inset: '0',
  width: '100%',
  height: '100%',
  margin: '0',
  appearance: 'none',
  background: 'transparent',
  cursor: 'pointer',
  '&::-webkit-slider-thumb': { appearance: 'none', ...THUMB },
  '&::-moz-range-thumb': THUMB,
} as const
