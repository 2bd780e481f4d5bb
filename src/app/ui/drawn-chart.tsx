import type { ChartData, ChartOptions } from 'chart.js'
import { useEffect, useState } from 'react'
import { Chart, type ChartProps } from 'react-chartjs-2'

type DrawnChartProps<Type extends 'bar' | 'line'> = Pick<
  ChartProps<Type>,
  'type' | 'data' | 'options' | 'aria-label'
>

/**
 * A chart that nothing is pressed on and nothing moves in. Drawn in two steps, first empty: at once the first chart of a page takes
 * its thread longer than what else goes on there may wait.
 */
export function DrawnChart<Type extends 'bar' | 'line'>({ data, options, ...rest }: DrawnChartProps<Type>) {
  const [isBegun, begin] = useState(false)
  useEffect(() => begin(true), [])
  const still = { ...STILL, ...options, ...(!isBegun && withoutAxes(options?.scales)) } as ChartOptions<Type>
  return <Chart {...rest} data={isBegun ? data : (EMPTY as ChartData<Type>)} options={still} />
}

const STILL = { animation: false, maintainAspectRatio: false, events: [] }
const EMPTY = { labels: [], datasets: [] }

const withoutAxes = (scales: object = {}) => ({
  scales: Object.fromEntries(
    Object.entries(scales).map(([axis, scale]) => [axis, { ...scale, display: false }]),
  ),
})
