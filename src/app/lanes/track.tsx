import { useEffect, useRef } from 'react'
import type { Mark } from '~/core/live/marks'
import type { PulseBar } from '~/core/review/pulse'
import { clockText } from '~/core/schedule/lengths'
import { MARK_LOOK } from '../live/marks'
import { onServerTime } from '../live-client/server-clock'
import { barsOf, lengthOf, type TrackSpan, WIDE } from './bars'

interface TrackProps {
  span: TrackSpan
  /** While the round runs: when the page was made, until the server's time is known here. Null for what is over. */
  runningAt: number | null
  pulse: readonly PulseBar[]
  marks: readonly Mark[]
  /** In pixels. */
  height?: number
}

/**
 * One room's time, running to the right: what is past is filled, the edge is the end of the round, and what is left
 * between them is what one sees. A hundred of them stand in Live for hours: what was written is one shape however long it goes
 * on, and when time moves only two parts of each do.
 */
export function Track({ span, runningAt, pulse, marks, height = 50 }: TrackProps) {
  const length = lengthOf(span)
  const at = placeOn(span)
  const { past, ahead, first } = usePresent(span, runningAt)
  return (
    <div className="track" style={{ height: `${height}px` }}>
      {runningAt !== null && (
        <div className="track-past" ref={past} aria-hidden="true" style={{ width: first }} />
      )}
      <svg viewBox={`0 0 ${WIDE} ${height}`} preserveAspectRatio="none" aria-hidden="true">
        <path d={barsOf(pulse, span, height)} />
      </svg>
      {/* The half minute that runs has come only as far as the present: what is ahead covers the rest of it. */}
      {runningAt !== null && (
        <div className="track-ahead" ref={ahead} aria-hidden="true" style={{ left: first }} />
      )}
      {span.edges.map(edge => (
        <div
          key={edge}
          className="track-edge"
          aria-hidden="true"
          style={{ left: `calc(${at(edge)} - 4px)` }}
        />
      ))}
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

/** Where a moment lies, from the left edge of the track. */
const placeOn = (span: Pick<TrackSpan, 'from' | 'to'>) => (time: number) =>
  `${(100 * Math.min(Math.max(time - span.from, 0), lengthOf(span))) / lengthOf(span)}%`

/** A track of some hundred points moves by less than one of them in two seconds of a usual round. */
const EVERY_MS = 2_000

/**
 * Moves what is past and what is ahead of the present. Past React, and each by itself: with 50 rooms drawing tracks anew every
 * other second would be most of what the page does, and so would be a property that all parts of a track inherit.
 */
function usePresent(span: TrackSpan, runningAt: number | null) {
  const past = useRef<HTMLDivElement>(null)
  const ahead = useRef<HTMLDivElement>(null)
  const { from, to } = span
  useEffect(() => {
    if (runningAt === null) return
    const place = placeOn({ from, to })
    return onServerTime(EVERY_MS, now => {
      past.current?.style.setProperty('width', place(now))
      ahead.current?.style.setProperty('left', place(now))
    })
  }, [from, to, runningAt])
  // It is drawn there once: the same for as long as the track is, so that drawing it anew does not put it back.
  const first = useRef(placeOn(span)(runningAt ?? span.to))
  return { past, ahead, first: first.current }
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
