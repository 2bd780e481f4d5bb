import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

interface MutedProps {
  person: Pick<LiveView['people'][number], 'id' | 'shownName'>
  view: LiveView
  send: Send
}

/** Takes somebody the right to write for a while, for good reason, and gives it back. */
export function MutePerson({ person: { id, shownName }, view, send }: MutedProps) {
  const muted = view.muted[id] ?? false
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <Button size="small" onClick={() => send({ type: 'mute', participantId: id, muted: !muted })}>
        {muted ? 'Let them write again' : 'Pause their writing'}
      </Button>
      <chakra.span fontSize="s" color="quiet">
        {muted
          ? `${shownName} reads along and writes nothing. They alone are told.`
          : 'They read along on the board; they alone are told.'}
      </chakra.span>
    </Flex>
  )
}

/** Who of a room is muted, with the move that takes it back. */
export function MutedInRoom({ roomId, view, send }: { roomId: string; view: LiveView; send: Send }) {
  const muted = view.people.filter(({ id, roomId: theirs }) => theirs === roomId && view.muted[id])
  return muted.map(person => (
    <Flex key={person.id} gap="8px" align="center" wrap="wrap" fontSize="s">
      {person.shownName} writes nothing for now.
      <Button
        size="small"
        aria-label={`Let ${person.shownName} write again`}
        onClick={() => send({ type: 'mute', participantId: person.id, muted: false })}
      >
        Let them write again
      </Button>
    </Flex>
  ))
}
