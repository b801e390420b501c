import { Box } from '@chakra-ui/react'
import type { ChartOptions } from 'chart.js'
import { useMemo } from 'react'
import { Bar, OUTLINE } from '../../components/charts.ts'

interface ShareBarsProps {
  readonly label: string
  readonly bars: readonly { readonly name: string; readonly count: number; readonly paint: string }[]
  onChoose?(index: number): void
}

/** How much each of some things carries, the largest first. */
export function ShareBars({ label, bars, onChoose }: ShareBarsProps) {
  const data = useMemo(
    () => ({
      labels: bars.map(({ name }) => name),
      datasets: [
        {
          data: bars.map(({ count }) => count),
          backgroundColor: bars.map(({ paint }) => paint),
          borderColor: OUTLINE,
          borderWidth: 1,
        },
      ],
    }),
    [bars],
  )
  const options = useMemo(
    (): ChartOptions<'bar'> => ({
      indexAxis: 'y',
      scales: {
        x: { title: { display: true, text: 'Places' }, ticks: { precision: 0 } },
        y: { ticks: { autoSkip: false } },
      },
      plugins: { tooltip: { displayColors: false } },
      onClick: (_event, elements) => {
        const index = elements[0]?.index
        if (index !== undefined) onChoose?.(index)
      },
    }),
    [onChoose],
  )
  return (
    <Box position="relative" style={{ height: 64 + bars.length * 22 }}>
      <Bar data={data} options={options} role="img" aria-label={`${label}; the table says the same`} />
    </Box>
  )
}
