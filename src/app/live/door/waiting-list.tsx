import { Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'
import { People } from '../rooms/people'

/** Who has come and is not let in yet. */
export function WaitingList({ view, send }: { view: LiveView; send: Send }) {
  const waiting = view.people.filter(person => !person.admitted)
  if (waiting.length === 0) return null
  return (
    <Flex gap="8px" align="center" wrap="wrap" bg="askWash" borderRadius="6px" p="6px 8px" role="status">
      <b>On the waiting list</b>
      <People people={waiting} view={view} send={send} />
      <Button
        kind="ask"
        size="small"
        onClick={() => send({ type: 'let-in', participantIds: waiting.map(person => person.id) })}
      >
        {waiting.length === 1 ? 'Let in' : `Let all ${waiting.length} in`}
      </Button>
    </Flex>
  )
}
