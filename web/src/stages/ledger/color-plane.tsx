import { Box } from '@chakra-ui/react'
import type { ChartOptions } from 'chart.js'
import { useMemo } from 'react'
import { Bubble, OUTLINE } from '../../components/charts.ts'
import { count } from '../../components/words.ts'
import { type ColorPoint, PLANES, type Plane, radiusOf } from './color-points.ts'

interface ColorPlaneProps {
  readonly plane: Plane
  readonly points: readonly ColorPoint[]
  readonly chosen: ReadonlySet<string>
  onChoose(color: string): void
}

/** An axis with a mark at every step from zero; the room before it has none. */
function axis({ min, max, step, title }: { min: number; max: number; step: number; title: string }) {
  return {
    min,
    max,
    title: { display: true, text: title },
    ticks: {
      stepSize: step,
      callback: (value: string | number) => (Number(value) < 0 ? '' : String(Number(Number(value).toFixed(2)))),
    },
  }
}

/** The colors of a site in a plane, each in its own paint, its size by its places. The table beside it says the same. */
export function ColorPlane({ plane, points, chosen, onChoose }: ColorPlaneProps) {
  const { x, y } = PLANES[plane]
  const data = useMemo(() => {
    const most = points[0]?.places ?? 1
    return {
      datasets: [
        {
          data: points.map((point) => ({ x: x.of(point), y: y.of(point), r: radiusOf(point, most) })),
          backgroundColor: points.map(({ color }) => color),
          borderColor: points.map(({ color }) => (chosen.has(color) ? '#161616' : OUTLINE)),
          borderWidth: points.map(({ color }) => (chosen.has(color) ? 3 : 1)),
          clip: false as const,
        },
      ],
    }
  }, [points, chosen, x, y])
  const options = useMemo(
    (): ChartOptions<'bubble'> => ({
      scales: {
        x: axis(x),
        y: axis(y),
      },
      plugins: {
        tooltip: {
          displayColors: false,
          callbacks: {
            label: ({ dataIndex }) => {
              const point = points[dataIndex]
              return point ? `${point.color}: ${count(point.places, 'place')}` : ''
            },
          },
        },
      },
      onClick: (_event, elements) => {
        const point = points[elements[0]?.index ?? -1]
        if (point) onChoose(point.color)
      },
    }),
    [points, onChoose, x, y],
  )
  return (
    <Box flex="1" minH="320px" position="relative">
      <Bubble
        data={data}
        options={options}
        role="img"
        aria-label={`The colours by ${plane}; the table says the same`}
      />
    </Box>
  )
}
