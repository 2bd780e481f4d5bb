import { Box, chakra, Dialog, Flex, Portal } from '@chakra-ui/react'
import { Megaphone, Plus, SendHorizontal, Undo2 } from 'lucide-react'
import { useRef, useState } from 'react'
import { LONGEST_MESSAGE } from '~/core/live/commands'
import { clockText } from '~/core/schedule/session-time'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { KeyHelp, useSingleKeys } from './keys'
import type { LiveView, Send } from './live-view'

/** Everything one does while talking, in one place: each is one or two moves. */
export function LiveBar({ view, send }: { view: LiveView; send: Send }) {
  const broadcast = useRef<HTMLInputElement>(null)
  const { clock } = view
  const [showKeys, setShowKeys] = useState(false)
  const keys = useSingleKeys({
    b: () => broadcast.current?.focus(),
    m: () => clock && send({ type: 'add-time', seconds: 60 }),
    '?': () => setShowKeys(shown => !shown),
  })
  return (
    <Box position="sticky" bottom="0" bg="paper" borderTopWidth="2px" borderColor="edge" py="10px" zIndex="6">
      {showKeys && <KeyHelp keys={keys} onClose={() => setShowKeys(false)} />}
      <Flex gap="10px" align="center" wrap="wrap">
        {clock ? (
          <>
            <RoundClock clock={clock} />
            <Button
              size="large"
              kind={clock.graceEndsAt === null ? 'main' : 'plain'}
              disabled={clock.graceEndsAt !== null}
              onClick={() => send({ type: 'call-back' })}
            >
              <Undo2 size={20} aria-hidden="true" />{' '}
              {clock.graceEndsAt === null ? 'Call back' : 'Coming back'}
            </Button>
            <Button size="large" title="Key: m" onClick={() => send({ type: 'add-time', seconds: 60 })}>
              <Plus size={18} aria-hidden="true" /> 1 min
            </Button>
            <Button size="large" onClick={() => send({ type: 'add-time', seconds: 300 })}>
              <Plus size={18} aria-hidden="true" /> 5 min
            </Button>
          </>
        ) : (
          <SendOut key={view.session.roomSeconds} seconds={view.session.roomSeconds} send={send} />
        )}
        <Broadcast field={broadcast} send={send} />
        <EndSession send={send} running={clock !== null} />
      </Flex>
    </Box>
  )
}

function RoundClock({ clock }: { clock: NonNullable<LiveView['clock']> }) {
  const now = useServerNow(clock.startedAt)
  const left = (clock.graceEndsAt ?? clock.endsAt) - now
  return (
    <Box w="104px">
      <chakra.div
        role="timer"
        fontSize="xl"
        fontWeight="650"
        lineHeight="1"
        fontVariantNumeric="tabular-nums"
        color={left < 60_000 ? 'ask' : 'ink'}
      >
        {clockText(left)}
      </chakra.div>
      <chakra.div fontSize="s" color="quiet">
        {clock.graceEndsAt === null ? `round ${clock.number}` : 'grace'}
      </chakra.div>
    </Box>
  )
}

function SendOut({ seconds, send }: { seconds: number; send: Send }) {
  const [minutes, setMinutes] = useState(String(seconds / 60))
  return (
    <Flex
      as="form"
      gap="8px"
      align="center"
      onSubmit={event => {
        event.preventDefault()
        send({ type: 'send-out', seconds: Math.round(Number(minutes) * 60) })
      }}
    >
      <Button type="submit" kind="main" size="large">
        <SendHorizontal size={20} aria-hidden="true" /> Send out
      </Button>
      <Flex align="center" gap="6px">
        <chakra.span>for</chakra.span>
        <Input
          type="number"
          aria-label="Minutes in rooms"
          min={0.5}
          max={240}
          step={0.5}
          w="76px"
          minH="48px"
          value={minutes}
          onChange={event => setMinutes(event.target.value)}
        />
        <chakra.span>min</chakra.span>
      </Flex>
    </Flex>
  )
}

function Broadcast({ field, send }: { field: React.RefObject<HTMLInputElement | null>; send: Send }) {
  const [text, setText] = useState('')
  const submit = async () => {
    if (await send({ type: 'broadcast', text })) setText('')
  }
  return (
    <Flex
      as="form"
      flex="1"
      minW="280px"
      gap="8px"
      align="center"
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <Box flex="1">
        <Field label="Broadcast to every board" hideLabel>
          {parts => (
            <Input
              {...parts}
              ref={field}
              minH="48px"
              maxLength={LONGEST_MESSAGE}
              placeholder="Broadcast to every board"
              title="Key: b"
              value={text}
              onChange={event => setText(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" size="large" disabled={text.trim() === ''}>
        <Megaphone size={20} aria-hidden="true" /> Broadcast
      </Button>
    </Flex>
  )
}

/** Ending is the one thing that can't be taken back, so it asks. */
function EndSession({ send, running }: { send: Send; running: boolean }) {
  const [asking, setAsking] = useState(false)
  return (
    <Dialog.Root
      id="end-session"
      role="alertdialog"
      open={asking}
      onOpenChange={({ open }) => setAsking(open)}
      lazyMount
      unmountOnExit
    >
      <Button kind="stop" size="large" onClick={() => setAsking(true)}>
        End
      </Button>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Title>End the session?</Dialog.Title>
            <Dialog.Body>
              {running ? 'People are still in rooms and are brought back at once, without grace. ' : ''}
              Boards are closed and kept for the review. A session that has ended can't be opened again.
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={() => setAsking(false)}>Go on with the session</Button>
              <Button
                kind="stop"
                onClick={() => {
                  setAsking(false)
                  send({ type: 'end' })
                }}
              >
                End the session
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
