import { chakra, Flex, Stack } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import type { Places } from '~/core/schedule/terms'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

interface RoomsToChooseProps extends NonNullable<ParticipantView['roomsToChoose']> {
  heading: string
  ownRoomId: string | null
  action: string
  send: SendFromPlace
}

/** Rooms somebody may choose from, with the places left in each. */
export default function RoomsToChoose({
  rooms,
  places,
  heading,
  ownRoomId,
  action,
  send,
}: RoomsToChooseProps) {
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
