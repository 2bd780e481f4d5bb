import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { useCallback, useState } from 'react'
import { Legend } from '../../lanes/legend'
import { ask } from '../../live-client/ask'
import { useLive } from '../../live-client/use-live'
import { Message } from '../../ui/layout'
import { moveByArrows } from '../../ui/list-keys'
import { Lane } from './lane'
import { type LaneOrder, orderedRooms } from './lane-order'
import { LiveBar } from './live-bar'
import { LiveHead } from './live-head'
import type { LiveView, Send } from './live-view'
import { OutsideRooms } from './outside-rooms'
import { RoomDrawer } from './room-drawer'
import { SessionRibbon } from './session-ribbon'

interface LivePageProps {
  sessionId: string
  view: LiveView
  joinCode: string
  joinAddress: string
  joinImage: string
  accountId: string
  now: number
}

export function LivePage({
  sessionId,
  view: first,
  joinCode,
  joinAddress,
  joinImage,
  accountId,
  now,
}: LivePageProps) {
  const { view, work, line } = useLive<LiveView>(`/events/${sessionId}/facilitator`, first)
  const [problem, setProblem] = useState<string | null>(null)
  const [order, setOrder] = useState<LaneOrder>('rooms')
  const [openRoomId, setOpenRoomId] = useState<string | null>(null)
  const send: Send = useCallback(
    async request => {
      const answer = await ask(`/sessions/${sessionId}/commands`, request)
      setProblem(answer.ok ? null : answer.message)
      return answer.ok
    },
    [sessionId],
  )
  const openRoom = view.rooms.find(room => room.id === openRoomId)
  const ended = view.session.phase === 'ended'
  return (
    <Flex direction="column" minH="calc(100vh - 120px)">
      <LiveHead
        sessionId={sessionId}
        view={view}
        line={line}
        join={{ code: joinCode, address: joinAddress, image: joinImage }}
        order={order}
        onOrder={setOrder}
        send={send}
      />
      <SessionRibbon view={view} pageMadeAt={now} />
      {problem && (
        <Box my="10px">
          <Message kind="problem">{problem}</Message>
        </Box>
      )}
      <Flex gap="16px" align="flex-start" flex="1" pb="16px">
        <Stack flex="1" minW="0" gap="8px">
          {!ended && <OutsideRooms view={view} send={send} />}
          <chakra.h2 srOnly>Rooms</chakra.h2>
          <Stack as="ul" gap="4px" listStyleType="none" aria-label="Rooms" onKeyDown={moveByArrows}>
            {orderedRooms(view, order).map(room => (
              <Lane
                key={room.id}
                room={room}
                place={view.rooms.findIndex(other => other.id === room.id)}
                view={view}
                work={work[room.id]}
                pageMadeAt={now}
                narrow={openRoom !== undefined}
                onOpen={() => setOpenRoomId(room.id)}
                send={send}
              />
            ))}
          </Stack>
          <Legend />
        </Stack>
        {openRoom && (
          <RoomDrawer
            key={openRoom.id}
            room={openRoom}
            place={view.rooms.indexOf(openRoom)}
            view={view}
            accountId={accountId}
            onClose={() => setOpenRoomId(null)}
            send={send}
          />
        )}
      </Flex>
      {!ended && <LiveBar view={view} send={send} />}
    </Flex>
  )
}
