import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { BoardView } from '../../board-view/board-view'
import type { LiveView, Send } from '../../live/live-view'
import { NoteForm } from '../../live/messages/note-form'
import { RenameRoom } from '../../live/rooms/rename-room'
import { VisitButton } from '../../live/visits/visit-button'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'

interface RoomDrawerProps {
  sessionId: string
  room: LiveView['rooms'][number]
  index: number
  view: LiveView
  accountId: string
  onClose: () => void
  send: Send
}

/** One room from above: its board as it is being written, a note to it, a visit, its name. */
export function RoomDrawer({ sessionId, room, index, view, accountId, onClose, send }: RoomDrawerProps) {
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  const call = view.help.find(candidate => candidate.roomId === room.id)
  const names = Object.fromEntries(view.people.map(person => [person.id, person.shownName]))
  const open = view.session.phase === 'open'
  return (
    <Box
      as="aside"
      aria-label={`Room ${room.name}`}
      w={{ base: 'auto', md: '380px' }}
      flexShrink="0"
      bg="paper"
      borderWidth="1px"
      borderColor="edge"
      borderRadius="8px"
      p="14px"
      overflowY="auto"
      // On a phone the room is a page of its own, over the lanes; elsewhere it stands beside them.
      position={{ base: 'fixed', md: 'sticky' }}
      inset={{ base: '0', md: 'auto' }}
      top={{ base: '0', md: '10px' }}
      maxH={{ base: '100dvh', md: 'calc(100vh - 130px)' }}
      zIndex={{ base: '20', md: 'auto' }}
      onKeyDown={event => event.key === 'Escape' && onClose()}
    >
      <Flex justify="space-between" align="center" gap="8px" mb="10px">
        <Flex gap="8px" align="center" minW="0">
          <RoomMark index={index} />
          <chakra.h2 ref={heading} tabIndex={-1} fontSize="l" overflowWrap="anywhere">
            {room.name}
          </chakra.h2>
        </Flex>
        <Button size="small" onClick={onClose}>
          <X size={16} aria-hidden="true" /> Close
        </Button>
      </Flex>
      {open && (
        <Stack gap="12px" mb="14px">
          {call && (
            <Message kind="problem">
              {names[call.participantId] ?? 'Somebody'} calls for help. Answer with a visit, or with a note.
            </Message>
          )}
          <VisitButton view={view} roomId={room.id} accountId={accountId} send={send} />
          <NoteForm sessionId={sessionId} roomId={room.id} helpId={call?.id ?? null} send={send} />
          <RenameRoom key={room.name} room={room} send={send} />
        </Stack>
      )}
      <BoardView copyId={room.copyId} board={view.board} me={null} names={names} />
    </Box>
  )
}
