import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Phone } from 'lucide-react'
import { Suspense, useState } from 'react'
import type { CallPersonNow } from '~/contracts/call-told'
import { evenness } from '~/core/live/call/evenness'
import { callOf } from '~/core/live/call/ways'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import { Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { CallLink } from './call-link'
import { spokenFor } from './spoken'

const CallPanel = whenMet(() => import('./call-panel'))

interface CallOfRoomProps {
  sessionId: string
  roomId: string
  accountId: string
  view: LiveView
  people: readonly CallPersonNow[] | undefined
  send: Send
}

/**
 * The call of a room for a facilitator: who is in it and how evenly they speak, heard only while they visit; or the way to the one
 * elsewhere that the room talks in.
 */
export function CallOfRoom({ sessionId, roomId, accountId, view, people = [], send }: CallOfRoomProps) {
  const [isIn, setIsIn] = useState(false)
  const call = callOf(view, roomId)
  const link = view.rooms.find(room => room.id === roomId)?.link
  if (!call) return link ? <CallLink link={link}>Open the call of this room</CallLink> : null
  const visits = view.visits.some(visit => visit.accountId === accountId && visit.roomId === roomId)
  const here = people.filter(person => person.here).length
  return (
    <Stack gap="8px" as="section" aria-label="Call of this room">
      <Flex gap="8px" align="center" wrap="wrap">
        <b>Call: {here === 0 ? 'nobody is in it' : `${here} in it`}</b>
        {visits && !isIn && (
          <Button size="small" onClick={() => setIsIn(true)}>
            <Phone size={16} aria-hidden="true" /> Listen in
          </Button>
        )}
        {!visits && here > 0 && (
          <chakra.span fontSize="s" color="quiet">
            Visit the room to hear it.
          </chakra.span>
        )}
      </Flex>
      {visits && isIn && (
        <Suspense fallback={null}>
          <CallPanel sessionId={sessionId} call={call} asFacilitator onLeave={() => setIsIn(false)} />
        </Suspense>
      )}
      <Spoken people={people} view={view} />
      <Tick
        checked={call.silent}
        onChange={event => send({ type: 'silence-call', roomId, silent: event.target.checked })}
      >
        Microphones of this room switched off
      </Tick>
    </Stack>
  )
}

/** How long each has spoken in this round; the bars are of who has spoken the longest. */
function Spoken({ people, view }: { people: readonly CallPersonNow[]; view: LiveView }) {
  const spoken = people.filter(({ spokeMs, here }) => here || spokeMs > 0)
  const longest = Math.max(...spoken.map(({ spokeMs }) => spokeMs))
  if (spoken.length === 0 || longest <= 0) return null
  const nameOf = (id: string) => view.people.find(person => person.id === id)?.shownName ?? ''
  const even = evenness(spoken.map(({ spokeMs }) => spokeMs))
  return (
    <Box>
      <chakra.p fontSize="s" color="quiet">
        Spoken in this round{even !== null && `: ${evenText(even)}`}
      </chakra.p>
      <chakra.ul listStyleType="none" aria-label="Spoken in this round">
        {spoken
          .toSorted((one, other) => other.spokeMs - one.spokeMs)
          .map(({ participantId, spokeMs }) => (
            <chakra.li key={participantId} fontSize="s">
              <Flex justify="space-between" gap="8px">
                <span>{nameOf(participantId)}</span>
                <span>{spokenFor(spokeMs)}</span>
              </Flex>
              <Box h="4px" bg="sunk" borderRadius="2px">
                <Box h="4px" bg="live" borderRadius="2px" w={`${(spokeMs / longest) * 100}%`} />
              </Box>
            </chakra.li>
          ))}
      </chakra.ul>
    </Box>
  )
}

/** From 0, one alone speaks, to 100, all speak the same. */
const evenText = (even: number) => (even === 0 ? 'one person alone' : `${Math.round(even * 100)} of 100 even`)
