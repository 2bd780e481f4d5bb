import { chakra } from '@chakra-ui/react'
import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js'
import { memo } from 'react'
import { placesOf } from '~/core/live/questions/question'
import type { Results } from '~/core/live/questions/results'
import { useChartColours } from '../../ui/chart-colours'
import { DrawnChart } from '../../ui/drawn-chart'

Chart.register(BarController, BarElement, CategoryScale, LinearScale)

interface ResultChartProps {
  results: Results
  before: Results | null
  large: boolean
}

/** How often each answer was given, beside how often it was when it was asked before. */
export default memo(function ResultChart({ results: { asks, counts }, before, large }: ResultChartProps) {
  const colours = useChartColours()
  const places = placesOf(asks) ?? []
  const font = { size: large ? 24 : 14, family: '"Source Sans 3 Variable", sans-serif' }
  const drawnBefore = before && !before.tooFew ? before.counts : null
  const high = (large ? 44 : 24) * (drawnBefore ? 1.6 : 1)
  return (
    <chakra.figure m="0" aria-hidden="true">
      <chakra.div h={`${30 + places.length * high}px`} position="relative" minW="0">
        <DrawnChart
          type="bar"
          data={{
            labels: places.map(({ name }, index) => `${name}  (${counts[index] ?? 0})`),
            datasets: [
              ...(drawnBefore
                ? [
                    {
                      data: [...drawnBefore],
                      backgroundColor: 'transparent',
                      borderColor: colours.ink,
                      borderWidth: 2,
                    },
                  ]
                : []),
              { data: [...counts], backgroundColor: colours.live, borderWidth: 0 },
            ],
          }}
          options={{
            indexAxis: 'y',
            scales: {
              x: { beginAtZero: true, suggestedMax: 4, ticks: { precision: 0, color: colours.ink, font } },
              y: { grid: { display: false }, ticks: { color: colours.ink, font, autoSkip: false } },
            },
          }}
        />
      </chakra.div>
      {drawnBefore && (
        <chakra.figcaption color="quiet" fontSize={large ? 'l' : 's'}>
          Outlined: asked before. Filled: now.
        </chakra.figcaption>
      )}
    </chakra.figure>
  )
})
