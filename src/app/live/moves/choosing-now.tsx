import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'
import { sizesWords } from './rooms-to-choose'

/** While people choose: how many have, which rooms are too small as yet, and the end of it. */
export function ChoosingNow({ view, send }: { view: LiveView; send: Send }) {
  const { choosing, rooms, people } = view
  if (!choosing) return null
  const here = people.filter(person => person.admitted)
  const sizeOf = (roomId: string) => here.filter(person => person.roomId === roomId).length
  const chosen = here.filter(person => person.roomId !== null).length
  const small = rooms.filter(room => sizeOf(room.id) > 0 && sizeOf(room.id) < choosing.least)
  return (
    <Flex
      as="section"
      aria-label="Choosing rooms"
      gap="6px 12px"
      align="center"
      wrap="wrap"
      bg="panel"
      borderWidth="1px"
      borderColor="live"
      borderRadius="8px"
      p="6px 10px"
    >
      <b>
        {chosen} of {here.length} have chosen a room.
      </b>
      <chakra.span color="quiet">{sizesWords(choosing)}</chakra.span>
      {small.length > 0 && (
        <chakra.span color="ask">
          Too few as yet: {small.map(room => `${room.name} (${sizeOf(room.id)})`).join(', ')}.
        </chakra.span>
      )}
      <Button size="small" ml="auto" onClick={() => send({ type: 'close-choosing' })}>
        Close the choice
      </Button>
    </Flex>
  )
}
