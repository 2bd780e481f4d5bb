import { PULSE_MS, type PulseBar } from '~/core/review/pulse'

/** The time a track shows, in milliseconds since 1970. */
export interface TrackSpan {
  from: number
  to: number
  /** Where the round ends, if that is not the end of the track; grace lies between. */
  edges: number[]
}

type Ends = Pick<TrackSpan, 'from' | 'to'>

export const lengthOf = ({ from, to }: Ends): number => Math.max(1, to - from)

/** So many units a track is wide in the drawing of what was written. */
export const WIDE = 1_000
/** Between two half minutes something is left free. */
const BAR_SHARE = 0.82
/** Work in one half minute that fills the height of a lane. */
const FULL_BAR = 60

/**
 * What was written in each half minute, as one shape of a drawing `WIDE` units wide and `height` pixels tall: a box for each, as
 * wide as it lasts.
 */
export function barsOf(pulse: readonly PulseBar[], span: Ends, height: number): string {
  const scale = WIDE / lengthOf(span)
  return pulse
    .filter(bar => bar.at + PULSE_MS > span.from && bar.at < span.to)
    .map(bar => {
      const at = (bar.at - span.from) * scale
      // Half minutes go by the clock: the first may have begun before the round.
      const [left, right] = [Math.max(0, at), Math.min(WIDE, at + PULSE_MS * BAR_SHARE * scale)]
      if (right <= left) return ''
      const top = height - barHeight(bar.edits, height)
      return `M${left.toFixed(1)} ${height}V${top.toFixed(1)}H${right.toFixed(1)}V${height}Z`
    })
    .join('')
}

/** Height of a bar in pixels, a good half of its track at most. The root keeps one typist's lines and a single card both readable. */
const barHeight = (edits: number, track: number) =>
  4 + (track * 0.56 - 4) * Math.min(1, Math.sqrt(edits / FULL_BAR))
