import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Shuffle } from 'lucide-react'
import { useEffect, useState } from 'react'
import { sizeProblemText, sizesText } from '../../group-sizes/size-text'
import { SizeFields, useTypedSizes } from '../../group-sizes/size-wish'
import type { LiveView, Send } from '../../live/live-view'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { GroupingClient } from '../../workers/grouping-client'
import { Drawer } from './drawer'

interface MakeGroupsProps {
  view: LiveView
  onClose: () => void
  send: Send
}

/**
 * Groups of who is here, at random. They stand in the lanes at once, and can be made anew, changed there by hand, and are sent
 * out like those of a plan; until then everybody stays.
 */
export function MakeGroups({ view, onClose, send }: MakeGroupsProps) {
  const [client] = useState(() => new GroupingClient())
  useEffect(() => () => client.stop(), [client])
  const [busy, setBusy] = useState(false)
  const [failed, setFailed] = useState(false)
  const here = view.people.filter(person => person.admitted)
  const sizes = useTypedSizes(here.length, { by: 'people', number: '3' })
  const { result } = sizes
  const now = view.rooms.map(room => here.flatMap(person => (person.roomId === room.id ? [person.id] : [])))
  const made = now.some(members => members.length > 0)
  const waiting = view.people.length - here.length

  const make = () => {
    if (!result.ok || busy) return
    setBusy(true)
    setFailed(false)
    client.ask(
      {
        kind: 'draw',
        personIds: here.map(person => person.id),
        sizes: result.sizes,
        seed: crypto.getRandomValues(new Int32Array(1))[0] ?? 0,
        previous: now,
      },
      async reply => {
        if (reply.kind !== 'drawn') return
        const groups = reply.groups.map((participantIds, index) => ({
          name: `Group ${index + 1}`,
          participantIds,
        }))
        await send({ type: 'make-rooms', groups })
        setBusy(false)
      },
      () => {
        setBusy(false)
        setFailed(true)
      },
    )
  }
  return (
    <Drawer label="Make groups" title="Groups of who is here" onClose={onClose}>
      <Stack
        as="form"
        gap="12px"
        onSubmit={event => {
          event.preventDefault()
          make()
        }}
      >
        <Flex gap="12px" wrap="wrap">
          <SizeFields {...sizes} />
        </Flex>
        <chakra.output aria-live="polite">
          {result.ok ? (
            <>
              <b>{sizesText(result.sizes)}</b>{' '}
              <chakra.span color="quiet">of the {here.length} here</chakra.span>
            </>
          ) : (
            <chakra.span color="stop" fontWeight="600">
              {sizeProblemText(result.problem)}
            </chakra.span>
          )}
        </chakra.output>
        <Button type="submit" kind="main" disabled={!result.ok || busy}>
          <Shuffle size={18} aria-hidden="true" /> {made ? 'Reshuffle' : 'Make groups'}
        </Button>
        <chakra.p color="quiet" fontSize="s">
          At random. Everybody stays until you send them out; a name in the lanes can be put elsewhere before
          that.{' '}
          {view.rounds.begun > 0 && 'Rooms of earlier rounds are closed, and keep what was made in them. '}
          {waiting > 0 && `${waiting} on the waiting list are not counted.`}
        </chakra.p>
        {made && (
          // On a phone the lanes lie under this.
          <chakra.ul display={{ md: 'none' }} listStyleType="none" aria-label="Who is in which group">
            {view.rooms.map((room, index) => (
              <chakra.li key={room.id} py="4px" borderTopWidth="1px">
                <b>{room.name}</b>{' '}
                {here
                  .filter(person => now[index]?.includes(person.id))
                  .map(person => person.shownName)
                  .join(', ')}
              </chakra.li>
            ))}
          </chakra.ul>
        )}
        <Box role="status">
          {failed && (
            <Message kind="problem">
              The groups could not be worked out. Reload the page and try again.
            </Message>
          )}
        </Box>
      </Stack>
    </Drawer>
  )
}
