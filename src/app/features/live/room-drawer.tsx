import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { LONGEST_MESSAGE } from '~/core/live/commands'
import { BoardView } from '../../board-view/board-view'
import { Button } from '../../ui/button'
import { Field, Input, TextArea } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import { useKeptText } from '../../ui/use-kept'
import type { LiveView, Send } from './live-view'

interface RoomDrawerProps {
  sessionId: string
  room: LiveView['rooms'][number]
  place: number
  view: LiveView
  accountId: string
  onClose: () => void
  send: Send
}

/** One room from above: its board as it is being written, a note to it, a visit, its name. */
export function RoomDrawer({ sessionId, room, place, view, accountId, onClose, send }: RoomDrawerProps) {
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  const call = view.help.find(candidate => candidate.roomId === room.id)
  const visiting = view.visits.some(visit => visit.roomId === room.id && visit.accountId === accountId)
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
          <RoomMark place={place} />
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
          {view.clock && (
            <Flex gap="8px" align="center">
              {visiting ? (
                <Button onClick={() => send({ type: 'leave-room' })}>Leave the room</Button>
              ) : (
                <Button
                  kind={call ? 'ask' : 'plain'}
                  onClick={() => send({ type: 'visit', roomId: room.id })}
                >
                  Visit
                </Button>
              )}
              <chakra.span fontSize="s" color="quiet">
                {visiting
                  ? 'The room sees that you are listening.'
                  : 'The room is told that you come to listen.'}
              </chakra.span>
            </Flex>
          )}
          <NoteForm sessionId={sessionId} roomId={room.id} helpId={call?.id ?? null} send={send} />
          <RenameRoom key={room.name} room={room} send={send} />
        </Stack>
      )}
      <BoardView copyId={room.copyId} board={view.board} me={null} names={names} />
    </Box>
  )
}

interface NoteFormProps {
  sessionId: string
  roomId: string
  helpId: string | null
  send: Send
}

function NoteForm({ sessionId, roomId, helpId, send }: NoteFormProps) {
  const [text, setText] = useKeptText(`note-${sessionId}-${roomId}`)
  const submit = async () => {
    if (await send({ type: 'note', roomId, text, helpId })) setText('')
  }
  return (
    <Stack
      as="form"
      gap="6px"
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <Field label={helpId ? 'Answer with a note' : 'Note to this room'}>
        {parts => (
          <TextArea
            {...parts}
            rows={2}
            minH="56px"
            maxLength={LONGEST_MESSAGE}
            value={text}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      <Flex>
        <Button type="submit" size="small" disabled={text.trim() === ''}>
          Send the note
        </Button>
      </Flex>
    </Stack>
  )
}

function RenameRoom({ room, send }: { room: LiveView['rooms'][number]; send: Send }) {
  const [name, setName] = useState(room.name)
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        send({ type: 'rename-room', roomId: room.id, name })
      }}
    >
      <Box flex="1">
        <Field label="Name of the room">
          {parts => (
            <Input {...parts} maxLength={60} value={name} onChange={event => setName(event.target.value)} />
          )}
        </Field>
      </Box>
      <Button type="submit" disabled={name.trim() === '' || name === room.name}>
        Rename
      </Button>
    </Flex>
  )
}
