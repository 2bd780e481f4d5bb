import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import type { ComponentProps } from 'react'
import { CallRule } from '../../live/call/call-rule'
import type { LiveView } from '../../live/live-view'
import { OfficeDesk } from '../../live/office/office-desk'
import { OfficeTimes } from '../../live/office/office-times'
import { EndSession } from '../../live/session/end-session'
import { useLive } from '../../live-client/use-live'
import { useSend } from '../../live-client/use-send'
import { Message } from '../../ui/layout'
import { useKeptText } from '../../ui/use-kept'
import { GiveBoard } from './give-board'
import { LiveHead } from './live-head'
import type { LivePage } from './live-page'
import { RoomDrawer } from './room-drawer'

/** Live in office hours: who is there, who waits, and the room of those who are there beside it. */
export function OfficePage({
  sessionId,
  view: first,
  joinCode,
  joinAddress,
  joinImage,
  reach,
  accountId,
  timeZone,
  now,
}: ComponentProps<typeof LivePage>) {
  const { view, work, calls, doing, line } = useLive<LiveView>(`/events/${sessionId}/facilitator`, first)
  const { send, problem } = useSend(sessionId)
  const [openRoomId, setOpenRoomId] = useKeptText(`live-room-${sessionId}`)
  const { office } = view
  const room = view.rooms.find(({ id }) => id === openRoomId && id === office?.now?.roomId)
  const ended = view.session.phase === 'ended'
  const close = () => {
    setOpenRoomId('')
    send({ type: 'leave-room' })
  }
  return (
    <Flex direction="column" minH="calc(100vh - 120px)">
      <LiveHead
        sessionId={sessionId}
        view={view}
        accountId={accountId}
        doing={doing}
        making={office !== null && (office.now !== null || office.seen.length > 0)}
        line={line}
        join={{ code: joinCode, address: joinAddress, image: joinImage, ...reach }}
        sound={null}
        send={send}
      />
      {problem && (
        <Box my="10px">
          <Message kind="problem">{problem}</Message>
        </Box>
      )}
      {office && !ended && (
        <Flex gap="16px" align="flex-start" flex="1" pb="16px">
          <Stack flex="1" minW="0" gap="20px">
            <OfficeDesk
              sessionId={sessionId}
              view={view}
              office={office}
              timeZone={timeZone}
              pageMadeAt={now}
              onOpen={setOpenRoomId}
              send={send}
            />
            <OfficeTimes view={view} office={office} pageMadeAt={now} send={send} />
            <BoardToCome sessionId={sessionId} view={view} />
            <Flex
              justify="space-between"
              align="center"
              gap="12px"
              wrap="wrap"
              borderTopWidth="1px"
              pt="12px"
            >
              <CallRule view={view} send={send} />
              <EndSession send={send} running={office.now !== null} />
            </Flex>
          </Stack>
          {room && (
            <RoomDrawer
              key={room.id}
              sessionId={sessionId}
              room={room}
              index={view.rooms.indexOf(room)}
              view={view}
              work={work[room.id]}
              inCall={calls[room.id]}
              accountId={accountId}
              timeZone={timeZone}
              onStep={null}
              onClose={close}
              send={send}
            />
          )}
        </Flex>
      )}
    </Flex>
  )
}

/** What whoever comes next will work on with the facilitator. */
function BoardToCome({ sessionId, view: { boards, boardsToCome } }: { sessionId: string; view: LiveView }) {
  return (
    <Box as="section" aria-label="Board of the next room">
      <chakra.h2 fontSize="l">Board</chakra.h2>
      <chakra.p mb="4px">Whoever comes next works on: {boards[boardsToCome[0] ?? 0]?.title}</chakra.p>
      <GiveBoard sessionId={sessionId} roomId={null} toCome label="Another board" />
    </Box>
  )
}
