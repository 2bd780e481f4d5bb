import { useEffect, useRef } from 'react'
import type { Mark } from '~/core/live/marks'
import type { PulseBar } from '~/core/review/pulse'
import { clockText } from '~/core/schedule/lengths'
import { MARK_LOOK } from '../live/marks'
import { onServerTime } from '../live-client/server-clock'
import { barsOf, lengthOf, type TrackSpan, WIDE } from './bars'
import { spotsOf } from './spots'

interface TrackProps {
  span: TrackSpan
  /** While the round runs: when the page was made, until the server's time is known here. Null for what is over. */
  runningAt: number | null
  pulse: readonly PulseBar[]
  marks: readonly Mark[]
  /** In pixels. */
  height?: number
  /** Room that a mark takes, in percent of the track: more where the track is short. */
  markWidth?: number
}

/**
 * One room's time, running to the right: what is past is filled, the edge is the end of the round, and what is left
 * between them is what one sees. A hundred of them stand in Live for hours: what was written is one shape however long it goes
 * on, and when time moves only two parts of each do.
 */
export function Track({ span, runningAt, pulse, marks, height = 50, markWidth = 3.6 }: TrackProps) {
  const at = placeOn(span)
  const { past, ahead, first } = usePresent(span, runningAt)
  return (
    <div className="track" style={{ height: `${height}px` }}>
      {runningAt !== null && (
        <div className="track-past" ref={past} aria-hidden="true" style={pastLook(first)} />
      )}
      <svg viewBox={`0 0 ${WIDE} ${height}`} preserveAspectRatio="none" aria-hidden="true">
        <path d={barsOf(pulse, span, height)} />
      </svg>
      {/* The half minute that runs has come only as far as the present: what is ahead covers the rest of it. */}
      {runningAt !== null && (
        <div className="track-ahead" ref={ahead} aria-hidden="true" style={aheadLook(first)} />
      )}
      {span.edges.map(edge => (
        <div
          key={edge}
          className="track-edge"
          aria-hidden="true"
          style={{ left: `calc(${at(edge)}% - 4px)` }}
        />
      ))}
      <ul aria-label="What happened">
        {spotsOf(marks, span, markWidth).map(({ mark, count, left }) => {
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

/** Where a moment lies, from the left edge of the track, in percent of its width. */
const placeOn = (span: Pick<TrackSpan, 'from' | 'to'>) => (time: number) =>
  (100 * Math.min(Math.max(time - span.from, 0), lengthOf(span))) / lengthOf(span)

/** Both lie over the whole track and are painted as far as they go: nothing is laid out anew when time moves. */
const pastLook = (place: number) => ({ backgroundSize: `${place}% 100%` })
const aheadLook = (place: number) => ({
  backgroundSize: `2px 100%, ${100 - place}% 100%`,
  backgroundPosition: `${place}% 0, 100% 0`,
})

/** Tracks move no more often than this, in milliseconds. */
const LEAST_MS = 2_000
/** And in so many steps from one end to the other, each of about one point. */
const STEPS = 500

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
    const placeAt = placeOn({ from, to })
    return onServerTime(Math.max(LEAST_MS, lengthOf({ from, to }) / STEPS), now => {
      const place = placeAt(now)
      if (past.current) Object.assign(past.current.style, pastLook(place))
      if (ahead.current) Object.assign(ahead.current.style, aheadLook(place))
    })
  }, [from, to, runningAt])
  // It is drawn there once: the same for as long as the track is, so that drawing it anew does not put it back.
  const first = useRef(placeOn(span)(runningAt ?? span.to))
  return { past, ahead, first: first.current }
}
