import { chakra, Flex, Stack } from '@chakra-ui/react'
import { MessageSquare } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import type { RoomWorkNow } from '~/contracts/live'
import {
  deviceWords,
  type Whereabouts,
  whereCounts,
  whereEverybodyIs,
  whereWords,
} from '~/core/live/where/where'
import { isFoundBy } from '~/core/people/shown-name'
import type { LiveView } from '../../live/live-view'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { moveByArrows } from '../../ui/list-keys'
import { Drawer } from './drawer'

/** The button that shows it, to which the focus goes back. */
export const FIND_SOMEBODY = 'find-somebody'

/** So many are drawn; the others are found by typing. */
const MOST_DRAWN = 60

interface EverybodyProps {
  view: LiveView
  work: Readonly<Record<string, RoomWorkNow>>
  pageMadeAt: number
  onOpenRoom: (roomId: string) => void
  /** Opens what can be written to somebody who has come. */
  onWrite: (participantId: string) => void
  onClose: () => void
}

/** Where everybody is: found by typing a name, and gone to by opening their room. */
export function Everybody({ view, work, pageMadeAt, onOpenRoom, onWrite, onClose }: EverybodyProps) {
  const [typed, setTyped] = useState('')
  const now = useServerNow(pageMadeAt, 10_000)
  const everybody = whereEverybodyIs(view, work)
  const found = everybody.filter(({ shownName }) => isFoundBy(typed, shownName))
  const field = useRef<HTMLInputElement>(null)
  // The drawer gives the focus to its title; whoever looks for somebody types.
  useEffect(() => field.current?.focus(), [])
  const openFirst = () => {
    const [first] = found
    if (first?.place.kind === 'room') onOpenRoom(first.place.roomId)
  }
  return (
    <Drawer label="Where everybody is" title="Where everybody is" onClose={onClose}>
      <Stack gap="10px" onKeyDown={moveByArrows}>
        <chakra.p fontSize="s" color="quiet">
          {countWords(whereCounts(everybody))}
        </chakra.p>
        <Field label="Find somebody">
          {parts => (
            <Input
              {...parts}
              ref={field}
              type="search"
              autoComplete="off"
              placeholder="start of a name"
              value={typed}
              onChange={event => setTyped(event.target.value)}
              onKeyDown={event => event.key === 'Enter' && openFirst()}
            />
          )}
        </Field>
        <chakra.p srOnly role="status">
          {typed.trim() === '' ? '' : found.length === 1 ? '1 found' : `${found.length} found`}
        </chakra.p>
        <Stack as="ul" gap="0" listStyleType="none" aria-label="People">
          {found.slice(0, MOST_DRAWN).map(person => (
            <Person key={person.id} person={person} now={now} onOpenRoom={onOpenRoom} onWrite={onWrite} />
          ))}
        </Stack>
        {found.length === 0 && <p>Nobody here or on the list is called that.</p>}
        {found.length > MOST_DRAWN && (
          <chakra.p color="quiet">and {found.length - MOST_DRAWN} more: type the start of a name</chakra.p>
        )}
      </Stack>
    </Drawer>
  )
}

interface PersonProps extends Pick<EverybodyProps, 'onOpenRoom' | 'onWrite'> {
  person: Whereabouts
  now: number
}

function Person({ person, now, onOpenRoom, onWrite }: PersonProps) {
  const { id, shownName, place, droppedAt } = person
  const device = deviceWords(person, now)
  return (
    <Flex as="li" justify="space-between" gap="8px" py="6px" borderBottomWidth="1px" align="baseline">
      <div>
        {place.kind === 'room' ? (
          <chakra.button
            type="button"
            fontWeight="650"
            cursor="pointer"
            textAlign="left"
            minH="24px"
            _hover={{ textDecoration: 'underline' }}
            onClick={() => onOpenRoom(place.roomId)}
          >
            {shownName}
          </chakra.button>
        ) : (
          <b>{shownName}</b>
        )}
        <chakra.div fontSize="s" color="quiet">
          {whereWords(person)}
        </chakra.div>
      </div>
      <Flex gap="6px" align="center" flexShrink="0">
        <chakra.span
          fontSize="s"
          whiteSpace="nowrap"
          color={droppedAt === null ? 'quiet' : 'ask'}
          fontWeight={droppedAt === null ? undefined : '600'}
        >
          {device}
        </chakra.span>
        {place.kind !== 'expected' && (
          <Button
            size="small"
            kind="bare"
            aria-label={`Note to ${shownName}, or observation`}
            onClick={() => onWrite(id)}
          >
            <MessageSquare size={16} aria-hidden="true" />
          </Button>
        )}
      </Flex>
    </Flex>
  )
}

function countWords({ rooms, whole, door, expected, dropped }: ReturnType<typeof whereCounts>): string {
  const said = [
    rooms > 0 && `${rooms} in rooms`,
    whole > 0 && `${whole} with the whole group`,
    door > 0 && `${door} on the waiting list`,
    expected > 0 && `${expected} not here yet`,
    dropped > 0 && `${dropped} without a line`,
  ].filter(Boolean)
  return said.length > 0 ? said.join(' · ') : 'Nobody has come yet.'
}
