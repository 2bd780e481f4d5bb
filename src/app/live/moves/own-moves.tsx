import { chakra, Flex, Stack } from '@chakra-ui/react'
import { DoorOpen, Undo2 } from 'lucide-react'
import type { ParticipantView } from '~/core/live/views'
import type { Places } from '~/core/schedule/terms'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

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

/** In a room: the way back, and the other rooms, as far as one may. */
export function MovesInRoom({ view: { moves, roomsToChoose }, send }: OwnMovesProps) {
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
          <RoomsToChoose
            {...roomsToChoose}
            heading="Other rooms"
            ownRoomId={moves.ownRoomId}
            action="Go there"
            send={send}
          />
        </chakra.details>
      )}
    </Stack>
  )
}

interface RoomsToChooseProps extends NonNullable<ParticipantView['roomsToChoose']> {
  heading: string
  ownRoomId: string | null
  action: string
  send: SendFromPlace
}

function RoomsToChoose({ rooms, places, heading, ownRoomId, action, send }: RoomsToChooseProps) {
  return (
    <Stack as="section" gap="6px" aria-label={heading}>
      <chakra.h2 fontSize="l">{heading}</chakra.h2>
      {sizesWords(places) && <chakra.p color="quiet">{sizesWords(places)}</chakra.p>}
      <Stack as="ul" listStyleType="none" gap="6px">
        {rooms.map(({ id, name, people, left }) => {
          const own = id === ownRoomId
          return (
            <Flex
              as="li"
              key={id}
              aria-label={name}
              gap="10px"
              align="center"
              justify="space-between"
              bg="panel"
              borderWidth={own ? '2px' : '1px'}
              borderColor={own ? 'live' : 'line'}
              borderRadius="8px"
              p="10px 12px"
            >
              <span>
                <chakra.b display="block" overflowWrap="anywhere">
                  {name}
                </chakra.b>
                <chakra.span color="quiet" fontSize="s">
                  {peopleWords(people)}
                  {left !== null && ` · ${placesWords(left)}`}
                </chakra.span>
              </span>
              {own ? (
                <chakra.b color="live">Your room</chakra.b>
              ) : (
                <Button
                  disabled={left === 0}
                  aria-label={`${action}: ${name}`}
                  onClick={() => send({ type: 'choose-room', roomId: id })}
                >
                  {left === 0 ? 'Full' : action}
                </Button>
              )}
            </Flex>
          )
        })}
      </Stack>
    </Stack>
  )
}

const peopleWords = (people: number) =>
  people === 0 ? 'Nobody yet' : people === 1 ? '1 person' : `${people} people`
const placesWords = (left: number) =>
  left === 0 ? 'no place left' : left === 1 ? '1 place left' : `${left} places left`

/** What sizes rooms are meant to have; nothing where all is possible. */
export function sizesWords({ least, most }: Places): string {
  if (most === 0) return least > 1 ? `At least ${least} in each room.` : ''
  return least === most ? `${most} in each room.` : `${least} to ${most} in each room.`
}
