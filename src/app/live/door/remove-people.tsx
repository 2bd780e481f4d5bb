import { chakra, Dialog, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { DialogButton } from '../../ui/dialog-button'
import { Field, Input, Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

/** So many are drawn; the others are found by typing, or ticked all at once. */
const MOST_DRAWN = 60

/** Takes many out of the session at once: names that somebody made up, or a class that came to the wrong one. */
export function RemovePeople({ view, send }: { view: LiveView; send: Send }) {
  return (
    <DialogButton
      id="remove-people"
      label="Remove people"
      title="Remove people from the session"
      disabled={view.people.length === 0}
    >
      {close => <Removing view={view} send={send} onDone={close} />}
    </DialogButton>
  )
}

function Removing({ view, send, onDone }: { view: LiveView; send: Send; onDone: () => void }) {
  const { people, door } = view
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const [typed, setTyped] = useState('')
  const found = people.filter(({ shownName }) => isFoundBy(typed, shownName))
  const guests = door.hasList ? people.filter(({ onList }) => !onList) : []
  // Somebody may have gone while this stands open.
  const chosen = people.filter(({ id }) => ticked.has(id)).map(({ id }) => id)
  const tick = (id: string, on: boolean) => {
    const now = new Set(ticked)
    if (on) now.add(id)
    else now.delete(id)
    setTicked(now)
  }
  // To those who were ticked before: one searches for one after the other.
  const tickAll = (all: LiveView['people']) => setTicked(new Set([...ticked, ...all.map(({ id }) => id)]))
  return (
    <>
      <Dialog.Body>
        <Stack gap="8px">
          <p>
            What they wrote stays. They can come back only through the waiting list. To keep everybody out who
            is not here yet, lock the door.
          </p>
          <Field label="Find somebody">
            {parts => (
              <Input
                {...parts}
                type="search"
                value={typed}
                autoComplete="off"
                onChange={event => setTyped(event.target.value)}
              />
            )}
          </Field>
          <Flex gap="8px" wrap="wrap">
            <Button size="small" onClick={() => tickAll(found)}>
              Tick {typed.trim() ? `the ${found.length} found` : `all ${people.length}`}
            </Button>
            {guests.length > 0 && (
              <Button size="small" onClick={() => tickAll(guests)}>
                Tick the {guests.length} not on the list
              </Button>
            )}
            {ticked.size > 0 && (
              <Button size="small" kind="bare" onClick={() => setTicked(new Set())}>
                Tick nobody
              </Button>
            )}
          </Flex>
          <Stack
            as="ul"
            listStyleType="none"
            gap="0"
            maxH="40vh"
            overflowY="auto"
            tabIndex={0}
            aria-label="People in the session"
          >
            {found.slice(0, MOST_DRAWN).map(({ id, shownName, onList }) => (
              <li key={id}>
                <Tick checked={ticked.has(id)} onChange={event => tick(id, event.target.checked)}>
                  {shownName}
                  {door.hasList && !onList && <chakra.span color="quiet"> not on the list</chakra.span>}
                </Tick>
              </li>
            ))}
          </Stack>
          <chakra.p color="quiet" role="status">
            {found.length === 0 && 'Nobody here is called that.'}
            {found.length > MOST_DRAWN && `${found.length - MOST_DRAWN} more: type the start of a name.`}
          </chakra.p>
        </Stack>
      </Dialog.Body>
      <Dialog.Footer>
        <Button onClick={onDone}>Cancel</Button>
        <Button
          kind="stop"
          disabled={chosen.length === 0}
          onClick={() => {
            onDone()
            send({ type: 'remove', participantIds: chosen })
          }}
        >
          {chosen.length === 0
            ? 'Remove'
            : chosen.length === 1
              ? 'Remove 1 person'
              : `Remove ${chosen.length} people`}
        </Button>
      </Dialog.Footer>
    </>
  )
}
