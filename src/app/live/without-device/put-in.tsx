import { chakra, Dialog, Stack } from '@chakra-ui/react'
import { UserPlus } from 'lucide-react'
import { useState } from 'react'
import { MOST_PUT_IN } from '~/core/live/without-device/limits'
import { isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { DialogButton } from '../../ui/dialog-button'
import { Field, Input, TextArea, Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

/** So many of the list are drawn; typing finds the others. */
const MOST_DRAWN = 60

/** Puts in people who have no device: those of the list by a tick, others by name. */
export function PutIn({ view, send }: { view: LiveView; send: Send }) {
  return (
    <DialogButton
      id="put-in"
      label={
        <>
          <UserPlus size={16} aria-hidden="true" /> Without a device
        </>
      }
      title="Put in people without a device"
    >
      {close => <Names view={view} send={send} onDone={close} />}
    </DialogButton>
  )
}

function Names({ view, send, onDone }: { view: LiveView; send: Send; onDone: () => void }) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const [typed, setTyped] = useState('')
  const [find, setFind] = useState('')
  const [refused, setRefused] = useState<string | null>(null)
  // Somebody may have come meanwhile.
  const listed = view.expected.filter(({ personId }) => ticked.has(personId)).map(each => each.shownName)
  const written = typed
    .split('\n')
    .map(name => name.trim())
    .filter(name => name !== '')
  const names = [...listed, ...written]
  const tooMany = names.length > MOST_PUT_IN && `At most ${MOST_PUT_IN} at a time; these are ${names.length}.`
  const found = view.expected.filter(({ shownName }) => isFoundBy(find, shownName))
  const tick = (personId: string, on: boolean) => {
    const now = new Set(ticked)
    if (on) now.add(personId)
    else now.delete(personId)
    setTicked(now)
  }
  return (
    <>
      <Dialog.Body>
        <Stack gap="10px">
          <p>
            They are put in groups and counted like everybody. Who comes with a device later takes up their
            name at the door.
          </p>
          {view.expected.length > 0 && (
            <>
              <Field label="Find somebody on the list">
                {parts => (
                  <Input
                    {...parts}
                    type="search"
                    autoComplete="off"
                    value={find}
                    onChange={event => setFind(event.target.value)}
                  />
                )}
              </Field>
              <Stack
                as="ul"
                listStyleType="none"
                gap="0"
                maxH="30vh"
                overflowY="auto"
                tabIndex={0}
                aria-label="On the list and not here yet"
              >
                {found.slice(0, MOST_DRAWN).map(({ personId, shownName }) => (
                  <li key={personId}>
                    <Tick
                      checked={ticked.has(personId)}
                      onChange={event => tick(personId, event.target.checked)}
                    >
                      {shownName}
                    </Tick>
                  </li>
                ))}
              </Stack>
              {found.length > MOST_DRAWN && (
                <chakra.p color="quiet">{found.length - MOST_DRAWN} more: type the start of a name.</chakra.p>
              )}
            </>
          )}
          <Field
            label={view.expected.length > 0 ? 'Others, one name on each line' : 'Names, one on each line'}
            errors={tooMany ? [tooMany] : refused === null ? undefined : [`Nobody was put in. ${refused}`]}
          >
            {parts => (
              <TextArea {...parts} rows={4} value={typed} onChange={event => setTyped(event.target.value)} />
            )}
          </Field>
        </Stack>
      </Dialog.Body>
      <Dialog.Footer>
        <Button onClick={onDone}>Cancel</Button>
        <Button
          kind="main"
          disabled={names.length === 0 || names.length > MOST_PUT_IN}
          onClick={async () => {
            if (await send({ type: 'put-in', names }, setRefused)) onDone()
          }}
        >
          {names.length === 0
            ? 'Put in'
            : names.length === 1
              ? 'Put 1 person in'
              : `Put ${names.length} people in`}
        </Button>
      </Dialog.Footer>
    </>
  )
}
