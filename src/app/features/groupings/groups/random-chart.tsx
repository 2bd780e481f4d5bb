import { chakra } from '@chakra-ui/react'
import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js'
import { useChartColours } from '../../../ui/chart-colours'
import { DrawnChart } from '../../../ui/drawn-chart'

Chart.register(BarController, BarElement, CategoryScale, LinearScale)

const BARS = 24

/** How many of 1,000 random groupings cost how much, and where these groups stand among them. */
export default function RandomChart({ cost, random }: { cost: number; random: number[] }) {
  const colours = useChartColours()
  const [least, most] = [Math.min(cost, random[0] ?? 0), Math.max(cost, random.at(-1) ?? 0)]
  const width = Math.max(1, (most - least) / BARS)
  const barOf = (value: number) => Math.min(BARS - 1, Math.floor((value - least) / width))
  const counts = Array<number>(BARS).fill(0)
  for (const value of random) counts[barOf(value)] = (counts[barOf(value)] ?? 0) + 1
  const here = barOf(cost)
  const tallest = Math.max(...counts)
  return (
    <chakra.figure m="0" mt="6px">
      <chakra.div h="90px">
        <DrawnChart
          type="bar"
          aria-label="Costs of 1,000 random groupings, with these groups among them"
          data={{
            labels: counts.map(() => ''),
            datasets: [
              { data: counts, backgroundColor: colours.line, barPercentage: 1, categoryPercentage: 0.9 },
              {
                data: counts.map((_, bar) => (bar === here ? tallest : 0)),
                backgroundColor: colours.live,
                barPercentage: 1,
                categoryPercentage: 0.9,
              },
            ],
          }}
          options={{
            scales: { x: { display: false, stacked: true }, y: { display: false, beginAtZero: true } },
          }}
        />
      </chakra.div>
      <chakra.figcaption color="quiet" fontSize="s">
        cheaper to the left; grey: 1,000 random groupings, green: these groups
      </chakra.figcaption>
    </chakra.figure>
  )
}
