import { Box, chakra } from '@chakra-ui/react'
import type { Mark } from '~/core/review/marks'
import { PULSE_MS, type PulseBar } from '~/core/review/pulse'
import { clockText } from '~/core/schedule/session-time'
import { MARK_LOOK } from './mark-look'

export interface TrackSpan {
  from: number
  to: number
  /** Where the round ends, if that is not the end of the track; grace lies between. */
  edges: number[]
}

interface TrackProps {
  span: TrackSpan
  /** The present, or null for a session that is over. */
  now: number | null
  pulse: readonly PulseBar[]
  marks: readonly Mark[]
}

/** Work in one half minute that fills the height of a lane. */
const FULL_BAR = 40

/**
 * One room's time, running to the right: what is past is filled, the edge is the end of the round, and what is left
 * between them is what one sees.
 */
export function Track({ span, now, pulse, marks }: TrackProps) {
  const length = Math.max(1, span.to - span.from)
  const at = (time: number) => `${(100 * Math.min(Math.max(time - span.from, 0), length)) / length}%`
  return (
    <Box
      position="relative"
      h="50px"
      bg="panel"
      borderWidth="1px"
      borderColor="line"
      borderRadius="4px"
      overflow="hidden"
    >
      {now !== null && (
        <Box
          position="absolute"
          insetY="0"
          left="0"
          bg="liveWash"
          style={{ width: at(now) }}
          aria-hidden="true"
        />
      )}
      {pulse
        .filter(bar => bar.at + PULSE_MS > span.from && bar.at < span.to)
        .map(bar => (
          <Box
            key={bar.at}
            position="absolute"
            bottom="0"
            bg="live"
            borderTopRadius="1px"
            aria-hidden="true"
            style={{
              left: at(bar.at),
              width: `max(2px, ${(100 * PULSE_MS) / length}% - 2px)`,
              height: `${Math.min(28, 4 + (24 * bar.edits) / FULL_BAR)}px`,
            }}
          />
        ))}
      {span.edges.map(edge => (
        <Box
          key={edge}
          position="absolute"
          insetY="0"
          w="4px"
          bg="ink"
          aria-hidden="true"
          style={{ left: `calc(${at(edge)} - 4px)` }}
        />
      ))}
      {now !== null && (
        <Box position="absolute" insetY="0" w="2px" bg="live" aria-hidden="true" style={{ left: at(now) }} />
      )}
      <chakra.ul listStyleType="none" aria-label="What happened">
        {clustered(marks, span, length).map(({ mark, count, shift }) => {
          const { icon: Icon, word, ask } = MARK_LOOK[mark.kind]
          const words = `${word}${count > 1 ? ` (${count})` : ''}: ${mark.what} at ${clockText(mark.at - span.from)}`
          return (
            <chakra.li
              key={`${mark.at}-${mark.kind}`}
              position="absolute"
              top="3px"
              color={ask ? 'ask' : 'ink'}
              title={words}
              style={{ left: `min(calc(${at(mark.at)} + ${shift * 18}px), calc(100% - 18px))` }}
            >
              <Icon size={16} strokeWidth={2.25} aria-hidden="true" />
              <chakra.span srOnly>{words}</chakra.span>
            </chakra.li>
          )
        })}
      </chakra.ul>
    </Box>
  )
}

interface Spot {
  mark: Mark
  count: number
  /** How many marks of other kinds stand at the same spot before it. */
  shift: number
}

/** How many spots a track has: marks closer than this would hide each other. */
const SPOTS = 30

/**
 * Marks of a kind that fall on the same spot are drawn once: a whole room that comes in is one mark. Different kinds
 * on one spot stand beside each other.
 */
function clustered(marks: readonly Mark[], span: TrackSpan, length: number): Spot[] {
  const spots = new Map<string, Spot>()
  const onSpot = new Map<number, number>()
  for (const mark of marks) {
    if (mark.at < span.from || mark.at > span.to) continue
    const spot = Math.floor((SPOTS * (mark.at - span.from)) / length)
    const key = `${mark.kind}-${spot}`
    const known = spots.get(key)
    if (known) {
      spots.set(key, {
        ...known,
        count: known.count + 1,
        mark: { ...known.mark, what: `${known.mark.what}, ${mark.what}` },
      })
      continue
    }
    const shift = onSpot.get(spot) ?? 0
    onSpot.set(spot, shift + 1)
    spots.set(key, { mark, count: 1, shift })
  }
  return [...spots.values()]
}
