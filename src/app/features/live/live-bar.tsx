import { Box, chakra, Dialog, Flex, Portal } from '@chakra-ui/react'
import { Ellipsis, LifeBuoy, Megaphone, Plus, RotateCcw, SendHorizontal, Undo2 } from 'lucide-react'
import { useRef, useState } from 'react'
import { aloneRooms } from '~/core/live/alone'
import { LONGEST_MESSAGE } from '~/core/live/commands'
import { clockText } from '~/core/schedule/session-time'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import { AloneNotice } from './alone-notice'
import { KeyHelp, useSingleKeys } from './keys'
import type { LiveView, Send } from './live-view'
import type { HelpCalls } from './use-help-calls'

interface LiveBarProps {
  sessionId: string
  view: LiveView
  calls: HelpCalls
  send: Send
}

/** Everything one does while talking, in one place: each is one or two moves. */
export function LiveBar({ sessionId, view, calls, send }: LiveBarProps) {
  const broadcast = useRef<HTMLInputElement>(null)
  const { clock } = view
  const [showKeys, setShowKeys] = useState(false)
  const [more, setMore] = useState(false)
  const keys = useSingleKeys({
    b: () => broadcast.current?.focus(),
    m: () => clock && send({ type: 'add-time', seconds: 60 }),
    h: calls.go,
    '?': () => setShowKeys(shown => !shown),
  })
  return (
    <Box
      position="sticky"
      bottom="0"
      bg="paper"
      borderTopWidth="2px"
      borderColor="edge"
      py={{ base: '6px', md: '10px' }}
      zIndex="6"
    >
      {showKeys && <KeyHelp keys={keys} onClose={() => setShowKeys(false)} />}
      <Flex gap={{ base: '6px', md: '10px' }} align="center" wrap="wrap">
        {clock ? <RoundControls clock={clock} send={send} /> : <SendOut view={view} send={send} />}
        <Button
          {...BAR}
          display={{ base: 'inline-flex', md: 'none' }}
          aria-expanded={more}
          aria-label="More"
          onClick={() => setMore(!more)}
        >
          <Ellipsis size={20} aria-hidden="true" />
        </Button>
        {/* On a phone what is needed least often is folded away, so that most of the screen is the session's. */}
        <Box display={{ base: more ? 'flex' : 'none', md: 'contents' }} gap="6px">
          {clock && (
            <Button {...BAR} onClick={() => send({ type: 'add-time', seconds: 300 })}>
              <Plus size={18} aria-hidden="true" /> 5 min
            </Button>
          )}
          <Box order={{ md: '9' }}>
            <EndSession send={send} running={clock !== null} />
          </Box>
        </Box>
        <HelpCounter calls={calls} />
        <Broadcast sessionId={sessionId} field={broadcast} send={send} />
      </Flex>
    </Box>
  )
}

function RoundControls({ clock, send }: { clock: NonNullable<LiveView['clock']>; send: Send }) {
  return (
    <>
      <RoundClock clock={clock} />
      {clock.graceEndsAt === null ? (
        <Button {...BAR} kind="main" onClick={() => send({ type: 'call-back' })}>
          <Undo2 size={20} aria-hidden="true" /> Call back
        </Button>
      ) : (
        <GoOn clock={clock} send={send} />
      )}
      <Button {...BAR} title="Key: m" onClick={() => send({ type: 'add-time', seconds: 60 })}>
        <Plus size={18} aria-hidden="true" /> 1 min
      </Button>
    </>
  )
}

/** How buttons of the bar are sized: for a glance on a desk, for a thumb on a phone. */
const BAR = {
  minH: { base: '42px', md: '48px' },
  px: { base: '12px', md: '14px' },
  fontSize: { base: 'm', md: 'l' },
} as const

/** While people come back the call can be taken back, as long as the round would still run. */
function GoOn({ clock, send }: { clock: NonNullable<LiveView['clock']>; send: Send }) {
  const now = useServerNow(clock.startedAt, 1_000)
  const left = clock.plannedEndsAt - now
  if (left <= 0) return <chakra.span fontWeight="600">Coming back</chakra.span>
  return (
    <Button {...BAR} onClick={() => send({ type: 'go-on' })}>
      <RotateCcw size={20} aria-hidden="true" /> Go on as before, {clockText(left)} left
    </Button>
  )
}

/** Rooms that call, wherever their lanes are. */
function HelpCounter({ calls }: { calls: HelpCalls }) {
  const [first] = calls.waiting
  const count = calls.waiting.length
  return (
    <Box role="status">
      {first && (
        <Button {...BAR} kind="ask" title="Key: h" onClick={calls.go}>
          <LifeBuoy size={20} aria-hidden="true" />
          {count === 1 ? `${first.roomName} calls` : `${count} rooms call`}
        </Button>
      )}
    </Box>
  )
}

function RoundClock({ clock }: { clock: NonNullable<LiveView['clock']> }) {
  const now = useServerNow(clock.startedAt)
  const left = (clock.graceEndsAt ?? clock.endsAt) - now
  const warned = clock.warned.at(-1)
  const state = clock.graceEndsAt !== null ? 'grace' : `round ${clock.number}`
  return (
    <Box w={{ base: '84px', md: '104px' }}>
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
      <chakra.div fontSize="s" color="quiet" whiteSpace="nowrap">
        {clock.graceEndsAt === null && warned !== undefined ? `${Math.round(warned / 60)} min said` : state}
      </chakra.div>
    </Box>
  )
}

function SendOut({ view, send }: { view: LiveView; send: Send }) {
  const { roomSeconds } = view.session
  const [minutes, setMinutes] = useState(String(roomSeconds / 60))
  const [asking, setAsking] = useState(false)
  const alone = aloneRooms(
    view.rooms,
    view.people.filter(person => person.admitted),
  )
  const go = () => {
    setAsking(false)
    send({ type: 'send-out', seconds: Math.round(Number(minutes) * 60) })
  }
  return (
    <>
      {asking && (
        <Box w="full">
          <AloneNotice alone={alone} send={send} onSendOut={go} onCancel={() => setAsking(false)} />
        </Box>
      )}
      <Flex
        as="form"
        gap="8px"
        align="center"
        onSubmit={event => {
          event.preventDefault()
          if (alone.length > 0) setAsking(true)
          else go()
        }}
      >
        <Button type="submit" kind="main" {...BAR}>
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
            minH={BAR.minH}
            value={minutes}
            onChange={event => setMinutes(event.target.value)}
          />
          <chakra.span>min</chakra.span>
        </Flex>
      </Flex>
    </>
  )
}

interface BroadcastProps {
  sessionId: string
  field: React.RefObject<HTMLInputElement | null>
  send: Send
}

function Broadcast({ sessionId, field, send }: BroadcastProps) {
  const [text, setText] = useKeptText(`broadcast-${sessionId}`)
  const submit = async () => {
    if (await send({ type: 'broadcast', text })) setText('')
  }
  return (
    <Flex
      as="form"
      flex="1"
      minW="240px"
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
              minH={BAR.minH}
              maxLength={LONGEST_MESSAGE}
              placeholder="Broadcast to every board"
              title="Key: b"
              value={text}
              onChange={event => setText(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" aria-label="Broadcast" {...BAR} disabled={text.trim() === ''}>
        <Megaphone size={20} aria-hidden="true" />
        <chakra.span display={{ base: 'none', '2xl': 'inline' }}>Broadcast</chakra.span>
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
      <Button kind="stop" {...BAR} onClick={() => setAsking(true)}>
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
