import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

interface VisitButtonProps {
  view: LiveView
  roomId: string
  accountId: string
  send: Send
}

/** Going into a room to listen, writing along once one has said so, and leaving it. */
export function VisitButton({ view, roomId, accountId, send }: VisitButtonProps) {
  if (!view.clock) return null
  const visit = view.visits.find(one => one.roomId === roomId && one.accountId === accountId)
  const calls = view.help.some(call => call.roomId === roomId)
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      {visit ? (
        <>
          <Button onClick={() => send({ type: 'join-in', joins: !visit.joined })}>
            {visit.joined ? 'Only listen' : 'Join in'}
          </Button>
          <Button onClick={() => send({ type: 'leave-room' })}>Leave the room</Button>
        </>
      ) : (
        <Button kind={calls ? 'ask' : 'plain'} onClick={() => send({ type: 'visit', roomId })}>
          Visit
        </Button>
      )}
      <chakra.span fontSize="s" color="quiet">
        {says(visit)}
      </chakra.span>
    </Flex>
  )
}

function says(visit: LiveView['visits'][number] | undefined): string {
  if (!visit) return 'The room is told that you come to listen.'
  if (visit.joined) return 'The room sees that you join in; what you write stands under your name.'
  return 'The room sees that you are listening.'
}
