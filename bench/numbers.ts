import { quantile } from 'simple-statistics'

/** Median and 95th percentile of delays in milliseconds. */
export interface Delays {
  p50: number
  p95: number
  count: number
}

export const delaysOf = (values: number[]): Delays => ({
  p50: quantile(values, 0.5),
  p95: quantile(values, 0.95),
  count: values.length,
})

export const delayText = ({ p50, p95, count }: Delays): string =>
  `p50 ${p50.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms (${count} measured)`

export const pause = (milliseconds: number): Promise<void> =>
  new Promise(resolve => {
    setTimeout(resolve, milliseconds)
  })
