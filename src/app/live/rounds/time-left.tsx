import { Box, chakra } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import { clockText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'

/** What is left, as a number and as the distance to the edge; in grace, what is left to come back. */
export function TimeLeft({
  clock,
  pageMadeAt,
}: {
  clock: NonNullable<ParticipantView['clock']>
  pageMadeAt: number
}) {
  const now = useServerNow(pageMadeAt)
  const calledBack = clock.graceEndsAt !== null
  const from = calledBack ? clock.endsAt : clock.startedAt
  const end = clock.graceEndsAt ?? clock.endsAt
  const left = Math.max(0, end - now)
  const share = end > from ? Math.min(1, Math.max(0, (now - from) / (end - from))) : 1
  const soon = calledBack || left < 60_000
  return (
    <Box w="128px" flexShrink="0">
      <chakra.div
        role="timer"
        fontSize="xl"
        fontWeight="650"
        lineHeight="1.1"
        textAlign="right"
        fontVariantNumeric="tabular-nums"
        color={soon ? 'ask' : 'ink'}
      >
        {clockText(left)}
      </chakra.div>
      <Box
        h="8px"
        bg={calledBack ? 'askWash' : 'sunk'}
        borderRightWidth="3px"
        borderColor={soon ? 'ask' : 'ink'}
        aria-hidden="true"
      >
        <Box h="full" bg={soon ? 'ask' : 'live'} style={{ width: `${share * 100}%` }} />
      </Box>
      <chakra.div fontSize="s" textAlign="right" color="quiet">
        {calledBack ? 'finish, come back' : 'left in rooms'}
      </chakra.div>
    </Box>
  )
}
