import { chakra, Flex } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { Button } from '../../ui/button'
import { Select } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { useChoosing, useChosen, useChosenIds } from './chosen-people'
import type { Moved, Placement } from './use-placing'

interface ChosenBarProps {
  view: LiveView
  place: (placements: Placement[]) => void
  /** What was placed last, to be taken back. */
  moved: Moved | null
  send: Send
}

/** Several names at once: chosen in the lanes, put into a room, swapped, or taken out; and the last move taken back. */
export function ChosenBar({ view, place, moved, send }: ChosenBarProps) {
  const chosen = useChosen()
  const ids = useChosenIds()
  const choosing = useChoosing()
  const people = view.people.filter(person => ids.has(person.id))
  const [one, other] = people
  const done = (placements: Placement[]) => {
    place(placements)
    chosen.clear()
  }
  const all = (roomId: string | null) => done(people.map(({ id }) => ({ participantId: id, roomId })))
  const canSwap = people.length === 2 && one && other && one.roomId !== other.roomId
  return (
    <Flex gap="8px" align="center" wrap="wrap" minH="30px">
      <Button size="small" kind="bare" aria-pressed={choosing} onClick={() => chosen.setChoosing(!choosing)}>
        {choosing ? 'Done choosing' : 'Choose several'}
      </Button>
      {people.length > 0 && (
        <>
          <span role="status">
            Chosen: <b>{people.map(person => person.shownName).join(', ')}</b>
          </span>
          <Select
            aria-label="Put those who are chosen into"
            w="auto"
            minH="30px"
            py="2px"
            value=""
            onChange={event => all(event.target.value === 'whole' ? null : event.target.value)}
          >
            <option value="">put into…</option>
            {view.rooms.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            <option value="whole">whole group</option>
          </Select>
          {canSwap && (
            <Button
              size="small"
              onClick={() =>
                done([
                  { participantId: one.id, roomId: other.roomId },
                  { participantId: other.id, roomId: one.roomId },
                ])
              }
            >
              Swap
            </Button>
          )}
          {people.some(person => !person.admitted) && (
            <Button
              size="small"
              onClick={() => send({ type: 'let-in', participantIds: people.map(person => person.id) })}
            >
              Let in
            </Button>
          )}
        </>
      )}
      {moved && (
        <chakra.span role="status" color="quiet" fontSize="s">
          {moved.text}{' '}
          <Button size="small" kind="bare" onClick={() => place(moved.back)}>
            <Undo2 size={14} aria-hidden="true" /> Undo the move
          </Button>
        </chakra.span>
      )}
    </Flex>
  )
}
