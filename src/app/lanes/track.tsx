import { type CSSProperties, useEffect, useRef } from 'react'
import type { Mark } from '~/core/live/marks'
import { PULSE_MS, type PulseBar } from '~/core/review/pulse'
import { clockText } from '~/core/schedule/lengths'
import { MARK_LOOK } from '../live/marks'
import { onServerTime } from '../live-client/server-clock'

export interface TrackSpan {
  from: number
  to: number
  /** Where the round ends, if that is not the end of the track; grace lies between. */
  edges: number[]
}

interface TrackProps {
  span: TrackSpan
  /** While the round runs: when the page was made, until the server's time is known here. Null for what is over. */
  runningAt: number | null
  pulse: readonly PulseBar[]
  marks: readonly Mark[]
  /** In pixels. */
  height?: number
}

/** Work in one half minute that fills the height of a lane. */
const FULL_BAR = 60

/**
 * One room's time, running to the right: what is past is filled, the edge is the end of the round, and what is left
 * between them is what one sees.
 */
export function Track({ span, runningAt, pulse, marks, height = 50 }: TrackProps) {
  const length = lengthOf(span)
  const at = placeOn(span)
  const present = usePresent(span, runningAt)
  return (
    <div className="track" ref={present.ref} style={{ ...present.style, height: `${height}px` }}>
      {runningAt !== null && <div className="track-past" aria-hidden="true" />}
      {pulse
        .filter(bar => bar.at + PULSE_MS > span.from && bar.at < span.to)
        .map(bar => (
          <div
            key={bar.at}
            className="track-bar"
            aria-hidden="true"
            style={{
              left: at(bar.at),
              // The half minute that runs has come only as far as the present.
              width: `max(2px, min(${(100 * PULSE_MS) / length}%, var(--present) - ${at(bar.at)}) - 2px)`,
              height: `${barHeight(bar.edits, height)}px`,
            }}
          />
        ))}
      {span.edges.map(edge => (
        <div
          key={edge}
          className="track-edge"
          aria-hidden="true"
          style={{ left: `calc(${at(edge)} - 4px)` }}
        />
      ))}
      {runningAt !== null && <div className="track-present" aria-hidden="true" />}
      <ul aria-label="What happened">
        {clustered(marks, span, length).map(({ mark, count, left }) => {
          const { icon: Icon, word, ask } = MARK_LOOK[mark.kind]
          const words = `${word}${count > 1 ? ` (${count})` : ''}: ${mark.what} at ${clockText(mark.at - span.from)}`
          return (
            <li
              key={`${mark.at}-${mark.kind}`}
              data-asks={ask || undefined}
              title={words}
              style={{ left: `min(${left}%, calc(100% - 18px))` }}
            >
              <Icon size={16} strokeWidth={2.25} aria-hidden="true" />
              <span>{words}</span>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

type Ends = Pick<TrackSpan, 'from' | 'to'>
const lengthOf = (span: Ends) => Math.max(1, span.to - span.from)

/** Where a moment lies, from the left edge of the track. */
const placeOn = (span: Ends) => (time: number) =>
  `${(100 * Math.min(Math.max(time - span.from, 0), lengthOf(span))) / lengthOf(span)}%`

/** A track of some hundred points moves by less than one of them in two seconds of a usual round. */
const EVERY_MS = 2_000

/**
 * Where the present lies, as a property of the track that its parts are placed by. Set past React: with 50 rooms drawing
 * tracks anew every other second would be most of what the page does.
 */
function usePresent(span: TrackSpan, runningAt: number | null) {
  const track = useRef<HTMLDivElement>(null)
  const { from, to } = span
  useEffect(() => {
    if (runningAt === null) return
    const place = placeOn({ from, to })
    return onServerTime(EVERY_MS, now => track.current?.style.setProperty('--present', place(now)))
  }, [from, to, runningAt])
  return { ref: track, style: { '--present': placeOn(span)(runningAt ?? span.to) } as CSSProperties }
}

interface Spot {
  mark: Mark
  count: number
  /** From the left edge of the track, in percent of its width. */
  left: number
}

/** Marks of a kind closer than this are one, in percent of the track: a whole room that comes in is one mark. */
const SAME_SPOT = 3
/** Room that a mark takes, in percent of a track as wide as it usually is. */
const MARK_WIDTH = 3.6

/** Where marks stand: at their time, or beside the one before them when that would hide them. */
function clustered(marks: readonly Mark[], span: TrackSpan, length: number): Spot[] {
  const spots: Spot[] = []
  let free = 0
  for (const mark of marks) {
    if (mark.at < span.from || mark.at > span.to) continue
    const left = (100 * (mark.at - span.from)) / length
    const known = spots.findLast(spot => spot.mark.kind === mark.kind)
    if (known && left - (100 * (known.mark.at - span.from)) / length < SAME_SPOT) {
      known.count += 1
      known.mark = { ...known.mark, what: `${known.mark.what}, ${mark.what}` }
      continue
    }
    spots.push({ mark, count: 1, left: Math.max(left, free) })
    free = Math.max(left, free) + MARK_WIDTH
  }
  return spots
}

/** Height of a bar in pixels, a good half of its track at most. The root keeps one typist's lines and a single card both readable. */
const barHeight = (edits: number, track: number) =>
  4 + (track * 0.56 - 4) * Math.min(1, Math.sqrt(edits / FULL_BAR))
