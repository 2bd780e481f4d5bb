import { chakra, Stack } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { Suspense } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

const RoomsToChoose = whenMet(() => import('./rooms-to-choose'))

interface MovesInRoomProps {
  view: ParticipantView
  send: SendFromPlace
}

/** In a room: the way back, and the other rooms, as far as one may. */
export default function MovesInRoom({ view: { moves, roomsToChoose }, send }: MovesInRoomProps) {
  if (!moves || (!moves.mayReturn && !roomsToChoose)) return null
  return (
    <Stack gap="10px" borderTopWidth="1px" pt="12px">
      {moves.mayReturn && (
        <Button alignSelf="flex-start" onClick={() => send({ type: 'come-back' })}>
          <Undo2 size={18} aria-hidden="true" /> Back to the whole group
        </Button>
      )}
      {roomsToChoose && (
        <chakra.details>
          <chakra.summary cursor="pointer" minH="32px" color="live" fontWeight="600">
            Go to another room
          </chakra.summary>
          <Suspense fallback={null}>
            <RoomsToChoose
              {...roomsToChoose}
              heading="Other rooms"
              ownRoomId={moves.ownRoomId}
              action="Go there"
              send={send}
            />
          </Suspense>
        </chakra.details>
      )}
    </Stack>
  )
}
