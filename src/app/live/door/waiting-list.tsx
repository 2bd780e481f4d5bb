import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'
import { People } from '../rooms/people'

/** Who has come and is not let in yet. */
export function WaitingList({ view, send }: { view: LiveView; send: Send }) {
  const waiting = view.people.filter(person => !person.admitted)
  return (
    <>
      <DoorNotice view={view} />
      {/* Said once, however many come after. */}
      <chakra.span role="status" srOnly>
        {waiting.length > 0 ? 'Somebody waits at the door.' : ''}
      </chakra.span>
      {waiting.length > 0 && (
        <Flex gap="8px" align="center" wrap="wrap" bg="askWash" borderRadius="6px" p="6px 8px">
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
      )}
    </>
  )
}

/** What keeps people out that the facilitator may not have in mind. */
function DoorNotice({ view: { door } }: { view: LiveView }) {
  if (!door.locked && !door.crowded) return null
  return (
    <chakra.p role="status" bg="askWash" borderRadius="6px" p="6px 8px">
      {door.locked && 'The door is locked: nobody new comes in. '}
      {door.crowded &&
        'Clearly more people came than the list expects, so the waiting list was switched on. Switch it off above to let everybody straight in.'}
    </chakra.p>
  )
}
