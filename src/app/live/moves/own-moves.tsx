import { Stack } from '@chakra-ui/react'
import { DoorOpen } from 'lucide-react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'
import RoomsToChoose from './rooms-to-choose'

interface OwnMovesProps {
  view: ParticipantView
  send: SendFromPlace
}

/** With the whole group: the way into one's room, and rooms to choose from. */
export function OwnMoves({ view: { moves, roomsToChoose, clock }, send }: OwnMovesProps) {
  if (!moves) return null
  return (
    <Stack gap="14px">
      {moves.enter !== null && (
        <Button kind="main" size="large" onClick={() => send({ type: 'enter-room' })}>
          <DoorOpen size={20} aria-hidden="true" /> Go to {moves.enter}
        </Button>
      )}
      {roomsToChoose && (
        <RoomsToChoose
          {...roomsToChoose}
          heading={clock ? 'Or go to another room' : 'Choose your room'}
          ownRoomId={moves.ownRoomId}
          action={clock ? 'Go there' : 'Choose'}
          send={send}
        />
      )}
    </Stack>
  )
}
