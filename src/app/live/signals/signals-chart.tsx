import { chakra } from '@chakra-ui/react'
import { Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js'
import { SIGNAL_WORDS, SIGNALS } from '~/core/live/signals/signal'
import { countsOf } from '~/core/live/signals/signals'
import { useServerNow } from '../../live-client/server-clock'
import { useChartColours } from '../../ui/chart-colours'
import { DrawnChart } from '../../ui/drawn-chart'
import type { LiveView } from '../live-view'

Chart.register(LineController, LineElement, PointElement, LinearScale)

/** How each line is dashed: they are told apart without colours. */
const DASHES = [[], [6, 3], [2, 2], [10, 3, 2, 3], [1, 4]]

/** How many showed what, from the first signal on. */
export default function SignalsChart({
  signalsOverTime,
  signals,
}: Pick<LiveView, 'signalsOverTime' | 'signals'>) {
  const colours = useChartColours()
  const first = signalsOverTime[0]?.at ?? 0
  const now = useServerNow(signalsOverTime.at(-1)?.at ?? 0, 10_000)
  const samples = [...signalsOverTime, { at: now, counts: countsOf(signals) }]
  return (
    <chakra.figure m="0" flexBasis="100%" minW="0">
      <chakra.div h="110px" position="relative" minW="0">
        <DrawnChart
          type="line"
          aria-label="How many showed each signal, over time"
          data={{
            datasets: SIGNALS.map((signal, place) => ({
              label: SIGNAL_WORDS[signal],
              data: samples.map(({ at, counts }) => ({ x: (at - first) / 60_000, y: counts[place] ?? 0 })),
              borderColor: signal === 'lost' ? colours.ask : colours.ink,
              borderDash: DASHES[place] ?? [],
              borderWidth: 2,
              pointRadius: 0,
            })),
          }}
          options={{
            scales: {
              x: { type: 'linear', min: 0, suggestedMax: 5, ticks: { color: colours.ink } },
              y: { beginAtZero: true, ticks: { precision: 0, color: colours.ink } },
            },
          }}
        />
      </chakra.div>
      <chakra.figcaption color="quiet" fontSize="s">
        People, by minutes since the first signal:{' '}
        {SIGNALS.map((signal, place) => `${SIGNAL_WORDS[signal]} ${DASH_WORDS[place]}`).join('; ')}.
      </chakra.figcaption>
    </chakra.figure>
  )
}

const DASH_WORDS = ['solid', 'long dashes', 'short dashes', 'dash and dot', 'dots']
