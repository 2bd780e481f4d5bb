import { Box, chakra, Flex } from '@chakra-ui/react'
import type { RoomWorkNow } from '~/contracts/live'
import { partsOf } from '~/core/boards/parts'
import { boardOf } from '~/core/live/rooms/room'
import { gini } from '~/core/statistics/gini'
import type { LiveView, Send } from '../live-view'
import { SignalTags } from '../signals/signal-tags'
import { PersonMenu } from './person-menu'

interface PeopleInRoomProps {
  roomId: string
  view: LiveView
  work: RoomWorkNow | undefined
  send: Send
}

/** Who belongs to a room, and under which prompt each wrote last. */
export function PeopleInRoom({ roomId, view, work, send }: PeopleInRoomProps) {
  const room = view.rooms.find(({ id }) => id === roomId)
  const people = view.people.filter(
    person => person.roomId === roomId && (view.clock ? person.inRoom : person.admitted),
  )
  if (!room || people.length === 0) return null
  const order = partsOf(boardOf(view, room)).flatMap(({ prompts }) => prompts.map(({ id }) => id))
  const uneven = gini(people.map(({ id }) => work?.people?.[id]?.edits ?? 0))
  return (
    <Box mb="12px">
      <Flex as="ul" aria-label="In this room" listStyleType="none" wrap="wrap" gap="0 6px">
        {people.map(person => {
          const shown = view.signals[person.id]
          const place = order.indexOf(work?.people?.[person.id]?.promptId ?? '')
          return (
            <Flex as="li" key={person.id} align="center">
              <PersonMenu
                person={person}
                rooms={view.rooms}
                isGuest={view.door.hasList && !person.onList}
                inRound={view.clock !== null}
                role={view.roles[person.id]}
                send={send}
              />
              {shown && <SignalTags counts={[[shown.signal, 1]]} />}
              {place >= 0 && (
                <chakra.span color="quiet" fontSize="xs">
                  at {place + 1}
                </chakra.span>
              )}
            </Flex>
          )
        })}
      </Flex>
      {uneven !== null && (
        <chakra.p color="quiet" fontSize="s">
          Written: {uneven === 1 ? 'by one person alone' : `${Math.round((1 - uneven) * 100)} of 100 even`}
        </chakra.p>
      )}
    </Box>
  )
}
