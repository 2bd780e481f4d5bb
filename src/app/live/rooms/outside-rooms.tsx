import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { memo, useState } from 'react'
import type { LanePerson } from '~/core/live/door/shown'
import { smallest } from '~/core/live/late/late'
import { Button } from '../../ui/button'
import { CohortDialog, type CohortsToAttach } from '../cohort/cohort-dialog'
import { RemovePeople } from '../door/remove-people'
import { WaitingList } from '../door/waiting-list'
import { LateRule } from '../late/late-rule'
import type { LiveView, Send } from '../live-view'
import { TermsRule } from '../moves/terms-rule'
import { PutIn } from '../without-device/put-in'
import { DropPlace, WHOLE } from './drag-people'
import { People } from './people'

interface OutsideRoomsProps {
  view: LiveView
  cohorts: CohortsToAttach
  send: Send
}

/** From so many rooms on the screen is theirs. */
const MANY_ROOMS = 7

/** Everybody who is not in a room, always in sight: waiting, with the whole group, and not here yet. */
export const OutsideRooms = memo(function OutsideRooms({ view, cohorts, send }: OutsideRoomsProps) {
  const [rules, setRules] = useState(false)
  const together = view.people.filter(person => person.admitted && !person.inRoom)
  const { clock, terms } = view
  // Who goes by themselves, or came back by themselves, is not waiting to be placed.
  const goesAlone = terms.invited || terms.mayReturn || terms.mayChange
  const isFull = view.rooms.length >= MANY_ROOMS
  const isOpen = (roomId: string | null) => view.rooms.some(room => room.id === roomId)
  // Before a round those who have a room stand in its lane.
  const noRoom = clock ? together : together.filter(({ roomId }) => !isOpen(roomId))
  const invited = clock && goesAlone ? together.filter(({ roomId }) => isOpen(roomId)) : []
  const late = clock
    ? together
        .filter(person => !invited.includes(person))
        .map(person => ({ person, room: roomFor(person, view) }))
    : []
  return (
    <Stack gap="6px" bg="panel" borderWidth="1px" borderRadius="8px" p="6px 10px">
      <WaitingList view={view} send={send} />
      <DropPlace
        id={WHOLE}
        display="flex"
        gap="4px 8px"
        alignItems="center"
        flexWrap="wrap"
        borderRadius="6px"
      >
        <b>{view.clock ? 'Not in a room' : 'Whole group'}</b>
        <chakra.span color="quiet" fontVariantNumeric="tabular-nums">
          {together.length}
        </chakra.span>
        {!clock && view.rooms.length > 0 && noRoom.length > 0 && (
          <chakra.span color="quiet">without a room:</chakra.span>
        )}
        <People people={noRoom} view={view} send={send} />
        {invited.length > 0 && (
          <Button
            size="small"
            kind={terms.invited ? 'ask' : 'plain'}
            onClick={() => send({ type: 'bring-in' })}
          >
            {terms.invited
              ? `${invited.length} invited ${invited.length === 1 ? 'has' : 'have'} not gone: bring them in`
              : 'Send them back in'}
          </Button>
        )}
        {late.map(
          ({ person, room }) =>
            room && (
              <Button
                key={person.id}
                size="small"
                kind="ask"
                onClick={() => send({ type: 'place', participantId: person.id, roomId: room.id })}
              >
                {person.shownName}: to {room.name}
              </Button>
            ),
        )}
        <Flex ml="auto" align="center" wrap="wrap" gap="4px 10px">
          {view.rooms.length > 0 && (
            <>
              {/* On a phone, and with many rooms, a rule that is set once leaves the lanes the screen. */}
              <Button
                size="small"
                kind="bare"
                display={{ base: 'inline-flex', md: isFull ? 'inline-flex' : 'none' }}
                aria-expanded={rules}
                onClick={() => setRules(!rules)}
              >
                <chakra.span display={{ md: 'none' }}>People</chakra.span>
                <chakra.span display={{ base: 'none', md: 'inline' }}>How people go</chakra.span>
              </Button>
              <Box display={{ base: rules ? 'block' : 'none', md: rules || !isFull ? 'contents' : 'none' }}>
                <TermsRule view={view} send={send} />
                <LateRule view={view} send={send} />
              </Box>
            </>
          )}
          <Box
            display={{ base: rules || view.rooms.length === 0 ? 'flex' : 'none', md: 'contents' }}
            flexWrap="wrap"
            gap="4px 10px"
          >
            <CohortDialog view={view} cohorts={cohorts} send={send} />
            <PutIn view={view} send={send} />
            <RemovePeople view={view} send={send} />
          </Box>
        </Flex>
        {view.expected.length > 0 && (
          <chakra.details fontSize="s" color="quiet">
            <chakra.summary cursor="pointer">
              {view.expected.length === 1 ? '1 on the list is' : `${view.expected.length} on the list are`}{' '}
              not here yet
            </chakra.summary>
            <Box pt="4px">{view.expected.map(person => person.shownName).join(', ')}</Box>
          </chakra.details>
        )}
      </DropPlace>
    </Stack>
  )
})

/** The one move that places somebody who is not in a room while others are: their own room, or the smallest. */
function roomFor(person: LanePerson, { rooms, people }: LiveView): LiveView['rooms'][number] | undefined {
  const own = rooms.find(room => room.id === person.roomId)
  if (own) return own
  const sizes = new Map(rooms.map(room => [room.id, 0]))
  for (const { roomId } of people) {
    const size = roomId === null ? undefined : sizes.get(roomId)
    if (size !== undefined) sizes.set(roomId as string, size + 1)
  }
  const roomId = smallest(sizes, null)
  return rooms.find(room => room.id === roomId)
}
