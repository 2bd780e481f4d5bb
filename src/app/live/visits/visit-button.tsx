import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

interface VisitButtonProps {
  view: LiveView
  roomId: string
  accountId: string
  send: Send
}

/** Going into a room to listen, and leaving it. */
export function VisitButton({ view, roomId, accountId, send }: VisitButtonProps) {
  if (!view.clock) return null
  const visiting = view.visits.some(visit => visit.roomId === roomId && visit.accountId === accountId)
  const calls = view.help.some(call => call.roomId === roomId)
  return (
    <Flex gap="8px" align="center">
      {visiting ? (
        <Button onClick={() => send({ type: 'leave-room' })}>Leave the room</Button>
      ) : (
        <Button kind={calls ? 'ask' : 'plain'} onClick={() => send({ type: 'visit', roomId })}>
          Visit
        </Button>
      )}
      <chakra.span fontSize="s" color="quiet">
        {visiting ? 'The room sees that you are listening.' : 'The room is told that you come to listen.'}
      </chakra.span>
    </Flex>
  )
}
