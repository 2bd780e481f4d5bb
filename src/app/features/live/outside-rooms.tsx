import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import type { LanePerson } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { LiveView, Send } from './live-view'
import { PersonMenu } from './person-menu'

/** Everybody who is not in a room, always in sight: waiting, with the whole group, and not here yet. */
export function OutsideRooms({ view, send }: { view: LiveView; send: Send }) {
  const waiting = view.people.filter(person => !person.admitted)
  const together = view.people.filter(person => person.admitted && !person.inRoom)
  const late = view.clock ? together.filter(person => person.roomId !== null) : []
  return (
    <Stack gap="6px" bg="panel" borderWidth="1px" borderRadius="8px" p="6px 10px">
      {waiting.length > 0 && (
        <Flex gap="8px" align="center" wrap="wrap" bg="askWash" borderRadius="6px" p="6px 8px" role="status">
          <b>On the waiting list</b>
          <People people={waiting} view={view} send={send} />
          <Button
            kind="ask"
            size="small"
            onClick={() => send({ type: 'let-in', participantIds: waiting.map(person => person.id) })}
          >
            {waiting.length === 1 ? 'Let in' : `Let all ${waiting.length} in`}
          </Button>
        </Flex>
      )}
      <Flex gap="4px 8px" align="center" wrap="wrap">
        <b>{view.clock ? 'Not in a room' : 'Whole group'}</b>
        <chakra.span color="quiet" fontVariantNumeric="tabular-nums">
          {together.length}
        </chakra.span>
        <People people={together} view={view} send={send} />
        {late.map(person => (
          <Button
            key={person.id}
            size="small"
            onClick={() => send({ type: 'place', participantId: person.id, roomId: person.roomId })}
          >
            {person.shownName}: to {view.rooms.find(room => room.id === person.roomId)?.name}
          </Button>
        ))}
        {view.expected.length > 0 && (
          <chakra.details fontSize="s" color="quiet" ml="auto">
            <chakra.summary cursor="pointer">
              {view.expected.length === 1 ? '1 on the list is' : `${view.expected.length} on the list are`}{' '}
              not here yet
            </chakra.summary>
            <Box pt="4px">{view.expected.map(person => person.shownName).join(', ')}</Box>
          </chakra.details>
        )}
      </Flex>
    </Stack>
  )
}

function People({ people, view, send }: { people: LanePerson[]; view: LiveView; send: Send }) {
  return (
    <>
      {people.map(person => (
        <PersonMenu
          key={person.id}
          person={person}
          rooms={view.rooms}
          inRound={view.clock !== null}
          send={send}
        />
      ))}
    </>
  )
}
