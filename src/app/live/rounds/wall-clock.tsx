import { Box, chakra } from '@chakra-ui/react'
import type { ProjectorView } from '~/core/live/views'
import { clockText, leftText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'

/** How long a warning stands beside the clock, in milliseconds. */
const WARNING_STANDS_MS = 30_000

/** The warning just given; null when it was longer ago. */
function freshWarning(clock: NonNullable<ProjectorView['clock']>, now: number): string | null {
  const warned = clock.warned.at(-1)
  if (warned === undefined || clock.graceEndsAt !== null) return null
  const givenAt = clock.endsAt - warned * 1000
  return now - givenAt < WARNING_STANDS_MS ? leftText(warned) : null
}

/** The clock of the round, to be read from the last row. */
export function WallClock({
  clock,
  pageMadeAt,
}: {
  clock: NonNullable<ProjectorView['clock']>
  pageMadeAt: number
}) {
  const now = useServerNow(pageMadeAt)
  const calledBack = clock.graceEndsAt !== null
  const left = (clock.graceEndsAt ?? clock.endsAt) - now
  const warning = freshWarning(clock, now)
  return (
    <Box textAlign="right" flexShrink="0">
      {warning && (
        <chakra.div role="status" fontSize="xl" fontWeight="650" bg="ask" color="onAsk" px="14px" py="4px">
          {warning}
        </chakra.div>
      )}
      <chakra.div
        role="timer"
        fontSize="wall"
        lineHeight="1"
        fontWeight="650"
        fontVariantNumeric="tabular-nums"
        color={calledBack || left < 60_000 ? 'ask' : 'ink'}
      >
        {clockText(left)}
      </chakra.div>
      <chakra.div fontSize="xl">
        {calledBack ? 'Finish your sentence and come back' : 'left in rooms'}
      </chakra.div>
    </Box>
  )
}
