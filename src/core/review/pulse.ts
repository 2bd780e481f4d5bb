/** Length of one bar of the pulse, in milliseconds: work done per half minute. */
export const PULSE_MS = 30_000

/** Work done in one half minute that starts at `at`. */
export interface PulseBar {
  at: number
  edits: number
}

/** The start of the half minute a moment lies in. */
export const pulseStart = (at: number): number => Math.floor(at / PULSE_MS) * PULSE_MS

/** Adds edits to the bar of their half minute; the bars stay in order of time. */
export function addToPulse(bars: readonly PulseBar[], at: number, edits: number): PulseBar[] {
  const start = pulseStart(at)
  if (bars.some(bar => bar.at === start)) {
    return bars.map(bar => (bar.at === start ? { at: start, edits: bar.edits + edits } : bar))
  }
  return [...bars, { at: start, edits }].sort((one, other) => one.at - other.at)
}
