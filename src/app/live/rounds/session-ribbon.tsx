import { Box, Flex } from '@chakra-ui/react'
import { memo } from 'react'
import { useServerNow } from '../../live-client/server-clock'
import type { LiveView } from '../live-view'

interface Segment {
  kind: 'whole' | 'round' | 'break' | 'grace' | 'left' | 'ahead'
  from: number
  to: number
  name: string
}

/** The session so far and what is left of its round or its plan, to scale, with the present as an edge that moves to the right. */
export const SessionRibbon = memo(function SessionRibbon({
  view,
  pageMadeAt,
}: {
  view: LiveView
  pageMadeAt: number
}) {
  const now = useServerNow(pageMadeAt, 2_000)
  const segments = view.order ? planned(view.order.segments, view, now) : segmentsOf(view, now)
  const from = segments[0]?.from ?? now
  const to = segments.at(-1)?.to ?? now
  const share = (segment: Segment) =>
    Math.max(0.5, (100 * (segment.to - segment.from)) / Math.max(1, to - from))
  return (
    <Flex
      h="26px"
      borderRadius="5px"
      overflow="hidden"
      borderWidth="1px"
      borderColor="edge"
      mb="8px"
      role="img"
      aria-label={ribbonText(segments)}
    >
      {segments.map(segment => (
        <Box
          key={`${segment.kind}-${segment.from}`}
          overflow="hidden"
          whiteSpace="nowrap"
          textOverflow="ellipsis"
          title={segment.name}
          fontSize="s"
          px="6px"
          lineHeight="24px"
          borderRightWidth={segment.kind === 'left' ? '4px' : '1px'}
          borderColor={segment.kind === 'left' ? 'ink' : 'edge'}
          bg={LOOK[segment.kind]}
          style={{ width: `${share(segment)}%` }}
        >
          {share(segment) > 9 && segment.name}
        </Box>
      ))}
    </Flex>
  )
})

const LOOK: Record<Segment['kind'], string> = {
  whole: 'sunk',
  round: 'liveWash',
  break: 'panel',
  ahead: 'panel',
  grace: 'askWash',
  left: 'panel',
}

function segmentsOf(view: LiveView, now: number): Segment[] {
  const { session, rounds, clock } = view
  const segments: Segment[] = []
  let at = session.openedAt ?? now
  const end = session.endedAt ?? now
  for (const round of rounds.past) {
    segments.push({ kind: 'whole', from: at, to: round.startedAt, name: 'Whole group' })
    segments.push({ kind: 'round', from: round.startedAt, to: round.endedAt, name: `Round ${round.number}` })
    at = round.endedAt
  }
  if (!clock)
    return [...segments, { kind: 'whole', from: at, to: Math.max(at + 1, end), name: 'Whole group' }]
  segments.push({ kind: 'whole', from: at, to: clock.startedAt, name: 'Whole group' })
  const until = clock.graceEndsAt ?? clock.endsAt
  const workedUntil = Math.min(now, clock.endsAt)
  segments.push({ kind: 'round', from: clock.startedAt, to: workedUntil, name: `Round ${clock.number}` })
  if (clock.graceEndsAt !== null) segments.push({ kind: 'grace', from: clock.endsAt, to: now, name: '' })
  segments.push({ kind: 'left', from: now, to: Math.max(now + 1, until), name: '' })
  return segments
}

/** What has been as it was, what runs as far as it is planned, and the rest as planned. */
function planned(order: NonNullable<LiveView['order']>['segments'], view: LiveView, now: number): Segment[] {
  const done = order.flatMap(({ kind, name, startedAt, endedAt }): Segment[] => {
    if (startedAt === null) return []
    const look = kind === 'rooms' ? 'round' : kind
    return [{ kind: look, from: startedAt, to: Math.max(startedAt + 1, endedAt ?? now), name }]
  })
  const running = order.findLast(({ startedAt, endedAt }) => startedAt !== null && endedAt === null)
  let at = now
  const rest: Segment[] = []
  if (running) {
    const until = view.clock?.endsAt ?? (running.startedAt ?? now) + running.minutes * 60_000
    at = Math.max(now + 1, until)
    rest.push({ kind: 'left', from: now, to: at, name: '' })
  }
  for (const { startedAt, skipped, minutes, name } of order) {
    if (startedAt !== null || skipped) continue
    rest.push({ kind: 'ahead', from: at, to: at + minutes * 60_000, name })
    at += minutes * 60_000
  }
  return [...done, ...rest]
}

function ribbonText(segments: Segment[]): string {
  return segments
    .filter(segment => segment.name)
    .map(segment => `${segment.name} ${Math.max(1, Math.round((segment.to - segment.from) / 60_000))} min`)
    .join(', ')
}
