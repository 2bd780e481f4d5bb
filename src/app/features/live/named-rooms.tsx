import { Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { LONGEST_ROOM_NAME, MOST_ROOMS } from '~/core/live/rooms/room'
import type { LiveView, Send } from '../../live/live-view'
import { Button } from '../../ui/button'
import { Field, Input, TextArea } from '../../ui/fields'

interface NamedRoomsProps {
  view: LiveView
  /** People choose among them; else they are put in by hand. */
  chosen: boolean
  send: Send
}

/** Rooms by name, empty at first: filled by hand, or by those who choose them. */
export function NamedRooms({ view, chosen, send }: NamedRoomsProps) {
  const before = view.rooms.map(room => room.name)
  const [typed, setTyped] = useState((before.length > 0 ? before : ['Room 1', 'Room 2', 'Room 3']).join('\n'))
  const [least, setLeast] = useState('2')
  const [most, setMost] = useState('5')
  const [problem, setProblem] = useState<string | null>(null)
  const names = typed
    .split('\n')
    .map(name => name.trim())
    .filter(Boolean)
  const tooMany = names.length > MOST_ROOMS ? `A session has at most ${MOST_ROOMS} rooms at once.` : null
  const tooLong = names.some(name => name.length > LONGEST_ROOM_NAME)
    ? `Use at most ${LONGEST_ROOM_NAME} characters for a name.`
    : null
  const wrong = problem ?? tooMany ?? tooLong
  const same = names.join('\n') === before.join('\n')
  const go = async () => {
    setProblem(null)
    const groups = names.map(name => ({ name, participantIds: [] }))
    // Rooms that are there stay, with who is in them.
    if (!same && !(await send({ type: 'make-rooms', groups, empty: true }, setProblem))) return
    if (chosen)
      send(
        { type: 'open-choosing', least: Number(least) || 1, most: most === '' ? 0 : Number(most) },
        setProblem,
      )
  }
  return (
    <Stack gap="10px">
      <Field
        label="Rooms, one on each line"
        hint={chosen ? 'People choose on their own page.' : 'Put people in from the lanes.'}
        errors={wrong === null ? undefined : [wrong]}
      >
        {parts => (
          <TextArea
            {...parts}
            rows={4}
            maxLength={MOST_ROOMS * (LONGEST_ROOM_NAME + 1)}
            value={typed}
            onChange={event => setTyped(event.target.value)}
          />
        )}
      </Field>
      {chosen && (
        <Flex gap="12px">
          <Field label="Smallest size">
            {parts => (
              <Input
                {...parts}
                type="number"
                min={1}
                max={100}
                value={least}
                onChange={event => setLeast(event.target.value)}
              />
            )}
          </Field>
          <Field label="Largest size" hint="Empty for any.">
            {parts => (
              <Input
                {...parts}
                type="number"
                min={1}
                max={500}
                value={most}
                onChange={event => setMost(event.target.value)}
              />
            )}
          </Field>
        </Flex>
      )}
      <Button
        kind="main"
        alignSelf="flex-start"
        disabled={names.length === 0 || tooMany !== null || tooLong !== null || (!chosen && same)}
        onClick={go}
      >
        {chosen ? 'Open a choice' : 'Make these rooms'}
      </Button>
    </Stack>
  )
}
