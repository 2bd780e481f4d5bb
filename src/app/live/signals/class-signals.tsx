import { chakra, Flex } from '@chakra-ui/react'
import { lazy, memo, Suspense, useState } from 'react'
import { handsUp, signalCounts, timeProposal } from '~/core/live/signals/counts'
import { shownBy } from '~/core/live/signals/signal'
import { Button } from '../../ui/button'
import { loadAgain } from '../../ui/load-again'
import type { LiveView, Send } from '../live-view'
import { SIGNAL_LOOK } from './signal-look'

const SignalsChart = lazy(() => loadAgain(() => import('./signals-chart')))

interface ClassSignalsProps {
  view: LiveView
  send: Send
}

/** So many hands are told by name; the others are counted. */
const BY_NAME = 8

/** What the class shows: how many of each, hands in the order they came, and what rooms say of the time. */
export const ClassSignals = memo(function ClassSignals({ view, send }: ClassSignalsProps) {
  const { signals, minutesSaid, people, rooms, clock } = view
  const counts = signalCounts(signals)
  const [charted, setCharted] = useState(false)
  const proposal = clock ? timeProposal(minutesSaid) : null
  if (counts.length === 0 && !proposal && !charted) return null
  const byId = new Map(people.map(person => [person.id, person]))
  const roomNames = new Map(rooms.map(({ id, name }) => [id, name]))
  const hands = handsUp(signals).flatMap(id => byId.get(id) ?? [])
  const peopled = new Set(people.filter(({ inRoom }) => inRoom).map(({ roomId }) => roomId))
  const clear = (participantIds: string[]) => send({ type: 'clear-signals', participantIds })
  return (
    <Flex
      as="section"
      aria-label="Signals"
      gap="4px 12px"
      align="center"
      wrap="wrap"
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="6px 10px"
    >
      {counts.map(([signal, count]) => {
        const { icon: Icon } = SIGNAL_LOOK[signal]
        return (
          <Flex key={signal} as="span" gap="4px" align="center" fontSize="s">
            <Icon size={16} aria-hidden="true" />
            <b>{count}</b> {shownBy(signal, count)}
          </Flex>
        )
      })}
      <Button size="small" kind="bare" ml="auto" aria-expanded={charted} onClick={() => setCharted(!charted)}>
        {charted ? 'Hide how it changed' : 'How it changed'}
      </Button>
      {counts.length > 0 && (
        <Button size="small" kind="bare" onClick={() => clear(Object.keys(signals))}>
          Clear all signals
        </Button>
      )}
      {charted && (
        <Suspense fallback={null}>
          <SignalsChart signals={signals} signalsOverTime={view.signalsOverTime} />
        </Suspense>
      )}
      {hands.length > 0 && (
        <Flex as="ol" aria-label="Hands, in the order they came" flexBasis="100%" gap="4px 8px" wrap="wrap">
          {hands.slice(0, BY_NAME).map((person, place) => (
            <Flex as="li" key={person.id} listStyleType="none" gap="4px" align="center">
              <span>
                {place + 1}. <b>{person.shownName}</b>
                {person.inRoom && ` (${roomNames.get(person.roomId ?? '') ?? ''})`}
              </span>
              <Button
                size="small"
                aria-label={`${person.shownName} was heard`}
                onClick={() => clear([person.id])}
              >
                Heard
              </Button>
            </Flex>
          ))}
          {hands.length > BY_NAME && <li>and {hands.length - BY_NAME} more</li>}
        </Flex>
      )}
      {proposal && (
        <Flex flexBasis="100%" gap="8px" align="center" wrap="wrap">
          <span>
            Of {peopled.size} rooms {proposal.done} {proposal.done === 1 ? 'says it is' : 'say they are'}{' '}
            done, {proposal.more} {proposal.more === 1 ? 'asks' : 'ask'} for more time.
          </span>
          {proposal.minutes > 0 && (
            <>
              <Button size="small" onClick={() => send({ type: 'add-time', seconds: proposal.minutes * 60 })}>
                + {proposal.minutes} min
              </Button>
              <chakra.span fontSize="s" color="quiet">
                is enough for three quarters of those who said so
              </chakra.span>
            </>
          )}
        </Flex>
      )}
    </Flex>
  )
})
