import { Box, chakra, Flex } from '@chakra-ui/react'
import { type ReactNode, Suspense, useSyncExternalStore } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { TimeLeft } from '../../live/rounds/time-left'
import type { BoardStatus } from '../../live-client/board-connection'
import type { OpensWithoutLine } from '../../live-client/kept/use-kept-here'
import type { LastTold } from '../../live-client/last-told'
import { whenMet } from '../../prompts/when-met'

const RehearsalMark = whenMet(() => import('../../live/session/rehearsal-mark'))

interface PlaceHeadProps {
  view: ParticipantView
  pageMadeAt: number
  line: 'live' | 'lost'
  /** Whether, closed or loaded again, the page comes back without a line too. */
  opensWithoutLine: OpensWithoutLine
  /** Whether what was written is on disk; null without a board. */
  saved: LastTold<BoardStatus['saved']> | null
  /** Whose page this is. */
  children: ReactNode
}

const SAVED_WORDS: Record<BoardStatus['saved'], string> = {
  stored: 'Saved',
  sending: 'Saving…',
  full: 'Not saved: the board is full',
  away: 'No line: keep writing, it is sent when the line is back',
}

const lost = (saved: BoardStatus['saved']) => saved === 'away' || saved === 'full'

/** Always in sight: where, with whom, how long. */
export function PlaceHead({ view, pageMadeAt, line, opensWithoutLine, saved, children }: PlaceHeadProps) {
  const { whereabouts, session, clock } = view
  const inRoom = whereabouts.where === 'room'
  const title = inRoom
    ? whereabouts.name
    : whereabouts.where === 'whole'
      ? view.office
        ? 'Office hours'
        : 'Whole group'
      : 'Waiting list'
  return (
    <Box as="header" position="sticky" top="0" zIndex="5" bg="paper" borderBottomWidth="1px">
      {session.isRehearsal && (
        <Suspense fallback={null}>
          <RehearsalMark />
        </Suspense>
      )}
      {line === 'lost' && (
        <Box bg="ask" color="onAsk" px="16px" py="4px" fontSize="s" role="status">
          The line to the server is down. It comes back by itself, and you can write on.
          {opensWithoutLine === 'not-yet' && ' Keep this page open meanwhile.'}
          {opensWithoutLine === 'never' &&
            ' Keep this page open meanwhile: from this address it can’t be opened without a line.'}
        </Box>
      )}
      <Flex px="16px" py="8px" justify="space-between" align="center" gap="12px">
        <Box minW="0">
          <chakra.div color="quiet" fontSize="s" truncate>
            {session.title}
          </chakra.div>
          <chakra.h1 fontSize="l" overflowWrap="anywhere">
            {title}
          </chakra.h1>
        </Box>
        {clock && session.phase === 'open' && <TimeLeft clock={clock} pageMadeAt={pageMadeAt} />}
      </Flex>
      <Box px="16px" pb={inRoom ? '2px' : '8px'}>
        {children}
      </Box>
      {inRoom && (
        <Flex px="16px" pb="8px" gap="4px 12px" wrap="wrap" fontSize="s" justify="space-between">
          <chakra.p>
            With{' '}
            {whereabouts.members
              .filter(member => member.id !== view.me.id)
              .map(member => (member.connected ? member.shownName : `${member.shownName} (away)`))
              .join(', ') || (view.office ? 'the facilitator' : 'nobody yet')}
          </chakra.p>
          {saved && <Saved saved={saved} />}
        </Flex>
      )}
    </Box>
  )
}

function Saved({ saved }: { saved: LastTold<BoardStatus['saved']> }) {
  const now = useSyncExternalStore(saved.subscribe, saved.get, saved.get)
  return (
    <chakra.p color={lost(now) ? 'ask' : 'quiet'} fontWeight={lost(now) ? '600' : '400'}>
      {SAVED_WORDS[now]}
    </chakra.p>
  )
}
