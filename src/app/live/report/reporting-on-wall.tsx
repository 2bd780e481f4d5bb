import { Box, chakra, Flex } from '@chakra-ui/react'
import type { ProjectorView } from '~/core/live/views'
import { clockText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'

interface ReportingOnWallProps {
  reporting: NonNullable<ProjectorView['reporting']>
  pageMadeAt: number
}

/** Which room reports, who for it, how long it still has, and which is next: to be read from the last row. */
export function ReportingOnWall({
  reporting: { room, reporter, endsAt, next },
  pageMadeAt,
}: ReportingOnWallProps) {
  const left = endsAt - useServerNow(pageMadeAt)
  return (
    <Flex
      as="section"
      aria-label="Report back"
      justify="space-between"
      align="center"
      gap="24px"
      borderWidth="3px"
      borderColor="live"
      borderRadius="8px"
      p="14px 20px"
      mb="16px"
    >
      <Box minW="0">
        <chakra.p fontSize="l" color="quiet">
          Reporting now
        </chakra.p>
        <chakra.h2 fontSize="40px" lineHeight="1.2" overflowWrap="anywhere">
          {room}
          {reporter !== '' && `: ${reporter}`}
        </chakra.h2>
        {next !== null && <chakra.p fontSize="l">Next: {next}</chakra.p>}
      </Box>
      <chakra.div
        role="timer"
        fontSize="64px"
        lineHeight="1"
        fontWeight="650"
        fontVariantNumeric="tabular-nums"
        color={left < 30_000 ? 'ask' : 'ink'}
      >
        {clockText(left)}
      </chakra.div>
    </Flex>
  )
}
