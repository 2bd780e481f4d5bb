import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import type { ProjectorView } from '~/core/live/views'
import { clockText, leftText } from '~/core/schedule/session-time'
import { Instructions } from '../../board-view/instructions'
import { useServerNow } from '../../live-client/server-clock'
import { useLive } from '../../live-client/use-live'
import { RoomMark } from '../../ui/room-mark'

interface ProjectorPageProps {
  sessionId: string
  view: ProjectorView
  join: { code: string; address: string; image: string }
  now: number
}

/** What the class sees, to be read from the last row: who goes where, the clock, the task, the join code. */
export function ProjectorPage({ sessionId, view: first, join, now }: ProjectorPageProps) {
  const { view } = useLive<ProjectorView>(`/events/${sessionId}/projector`, first)
  const { session, clock, rooms, task, broadcast } = view
  return (
    <Grid as="main" minH="100vh" templateRows="auto 1fr auto" p="28px" gap="20px">
      <Flex justify="space-between" align="center" gap="28px">
        <Box minW="0">
          <chakra.h1 fontSize="xl">{session.title}</chakra.h1>
          <chakra.div fontSize="l" color="quiet" mt="6px">
            {task.title}
          </chakra.div>
          <Box mt="8px">
            <Instructions steps={task.steps} large />
          </Box>
        </Box>
        {clock ? <WallClock clock={clock} pageMadeAt={now} /> : null}
      </Flex>
      <Box>
        {broadcast && (
          <chakra.p
            role="status"
            fontSize="xl"
            bg="liveWash"
            borderLeftWidth="8px"
            borderColor="live"
            px="20px"
            py="10px"
            mb="16px"
          >
            {broadcast.text}
          </chakra.p>
        )}
        <Grid
          as="ul"
          listStyleType="none"
          templateColumns="repeat(auto-fit, minmax(270px, 1fr))"
          gap="14px"
          aria-label="Who goes where"
        >
          {rooms.map((room, place) => (
            <Box
              as="li"
              key={room.id}
              bg="panel"
              borderWidth="1px"
              borderColor="edge"
              borderRadius="8px"
              p="14px"
            >
              <Flex gap="10px" align="center" mb="4px">
                <RoomMark place={place} size={28} />
                <chakra.h2 fontSize="xl" overflowWrap="anywhere">
                  {room.name}
                </chakra.h2>
              </Flex>
              <Flex as="p" wrap="wrap" columnGap="14px" fontSize="l">
                {room.members.length === 0 && 'Nobody yet'}
                {room.members.map(name => (
                  <chakra.span key={name} whiteSpace="nowrap">
                    {name}
                  </chakra.span>
                ))}
              </Flex>
            </Box>
          ))}
        </Grid>
      </Box>
      {session.phase === 'open' ? (
        <Flex justify="space-between" align="center" gap="24px" borderTopWidth="2px" pt="14px">
          <chakra.p fontSize="xl">
            Join at <b>{join.address}</b> with the code{' '}
            <chakra.b letterSpacing="0.05em">{join.code}</chakra.b>
          </chakra.p>
          <chakra.img
            src={join.image}
            alt="Code to scan for joining"
            w="120px"
            h="120px"
            flexShrink="0"
            borderRadius="4px"
          />
        </Flex>
      ) : (
        <chakra.p fontSize="xl">The session has ended. Thank you.</chakra.p>
      )}
    </Grid>
  )
}

/** How long a warning stands beside the clock, in milliseconds. */
const WARNING_STANDS_MS = 30_000

/** The warning just given; null when it was longer ago. */
function freshWarning(clock: NonNullable<ProjectorView['clock']>, now: number): string | null {
  const warned = clock.warned.at(-1)
  if (warned === undefined || clock.graceEndsAt !== null) return null
  const givenAt = clock.endsAt - warned * 1000
  return now - givenAt < WARNING_STANDS_MS ? leftText(warned) : null
}

function WallClock({
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
