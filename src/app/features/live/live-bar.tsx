import { Box, Flex } from '@chakra-ui/react'
import { Ellipsis, History, Plus } from 'lucide-react'
import { useRef, useState } from 'react'
import { BAR } from '../../live/bar'
import { HelpCounter } from '../../live/help/help-counter'
import type { HelpCalls } from '../../live/help/use-help-calls'
import type { LiveView, Send } from '../../live/live-view'
import { BroadcastField } from '../../live/messages/broadcast-field'
import { RoundControls } from '../../live/rounds/round-controls'
import { SendOut } from '../../live/rounds/send-out'
import { NEXT_STEP, NextStep } from '../../live/segments/next-step'
import { nextIn } from '../../live/segments/use-standing'
import { EndSession } from '../../live/session/end-session'
import { Button } from '../../ui/button'
import { BROADCASTS } from './broadcasts/broadcasts'
import { seenWords } from './broadcasts/said'
import { KeyHelp, useSingleKeys } from './keys'

interface LiveBarProps {
  sessionId: string
  view: LiveView
  calls: HelpCalls
  /** Opens the room that needs somebody most. */
  onNeed: () => void
  /** Shows the wall in the place of the lanes, and back. */
  onWall: () => void
  /** Shows where everybody is. */
  onFind: () => void
  /** Shows what was said, and where more can be said than one line to all. */
  onBroadcasts: () => void
  showsBroadcasts: boolean
  send: Send
}

/** Everything one does while talking, in one place: each is one or two moves. */
export function LiveBar({
  sessionId,
  view,
  calls,
  onNeed,
  onWall,
  onFind,
  onBroadcasts,
  showsBroadcasts,
  send,
}: LiveBarProps) {
  const broadcast = useRef<HTMLInputElement>(null)
  const { clock } = view
  const next = nextIn(view)
  const [showKeys, setShowKeys] = useState(false)
  const [more, setMore] = useState(false)
  const last = view.messages.findLast(({ kind }) => kind === 'broadcast')
  const lastSeen = last && view.heard[last.id]
  const keys = useSingleKeys({
    b: () => broadcast.current?.focus(),
    B: onBroadcasts,
    m: () => clock && send({ type: 'add-time', seconds: 60 }),
    h: calls.go,
    r: onNeed,
    w: onWall,
    '/': onFind,
    n: () => document.getElementById(NEXT_STEP)?.click(),
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
        {clock ? (
          <RoundControls clock={clock} view={view} send={send} />
        ) : next && next.kind !== 'rooms' ? (
          <NextStep next={next} send={send} />
        ) : (
          <SendOut key={`${next?.id} ${next?.minutes}`} view={view} send={send} />
        )}
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
        {!showsBroadcasts && <BroadcastField sessionId={sessionId} field={broadcast} send={send} />}
        <Button
          id={BROADCASTS}
          {...BAR}
          title="Key: Shift and b"
          aria-label={
            lastSeen ? `Broadcasts: the last one ${seenWords(lastSeen).toLowerCase()}` : 'Broadcasts'
          }
          aria-expanded={showsBroadcasts}
          onClick={onBroadcasts}
        >
          <History size={20} aria-hidden="true" />
          {/* While a room calls, all of the bar keeps to one line. */}
          {lastSeen && lastSeen.of > 0 && calls.waiting.length === 0 && `${lastSeen.seen} of ${lastSeen.of}`}
        </Button>
      </Flex>
    </Box>
  )
}
