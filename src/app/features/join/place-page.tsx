import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { BoardView } from '../../board-view/board-view'
import { ask } from '../../live-client/ask'
import type { BoardStatus } from '../../live-client/board-connection'
import { useLive } from '../../live-client/use-live'
import { ButtonLink } from '../../ui/button'
import { Message } from '../../ui/layout'
import { useSwitch } from '../../ui/use-kept'
import { HelpBar } from './help-bar'
import { Messages } from './messages'
import { NotMe } from './not-me'
import { PlaceHead } from './place-head'
import { Warnings } from './warnings'

interface PlacePageProps {
  sessionId: string
  joinCode: string
  view: ParticipantView
  ownLink: string
  now: number
}

/** A participant's page: where am I, with whom, how long is left; what to do; and help at the bottom. */
export function PlacePage({ sessionId, joinCode, view: first, ownLink, now }: PlacePageProps) {
  const { view, line } = useLive(`/events/${sessionId}/participant`, first)
  const [problem, setProblem] = useState<string | null>(null)
  const [saved, setSaved] = useState<BoardStatus['saved']>('stored')
  const send = async (request: object) => {
    const answer = await ask(`/s/${sessionId}/commands`, request)
    setProblem(answer.ok ? null : answer.message)
    return answer.ok
  }
  const [aloud, setAloud] = useSwitch('warnings-aloud', false)
  const gaveBack = useRef(false)
  const door = `/join/${joinCode}`
  useEffect(() => {
    // Whoever gave the name back goes to choose another; whose name was freed is told first.
    if (view.me.released && gaveBack.current) location.assign(door)
  }, [view.me.released, door])
  const { place } = view
  return (
    <Flex direction="column" minH="100dvh" maxW="760px" mx="auto">
      <PlaceHead view={view} pageMadeAt={now} line={line} saved={place.where === 'room' ? saved : null}>
        {view.session.phase === 'open' && !view.me.released && (
          <NotMe
            me={view.me}
            onNotMe={() => {
              gaveBack.current = true
              send({ type: 'not-me' })
            }}
          />
        )}
      </PlaceHead>
      <Box as="main" flex="1" px="16px" py="16px">
        {problem && (
          <Box mb="12px">
            <Message kind="problem">{problem}</Message>
          </Box>
        )}
        {view.session.phase === 'ended' ? (
          <Ended ownLink={ownLink} />
        ) : view.me.released ? (
          <Message kind="problem">
            The facilitator has freed the name {view.me.shownName}. If it is yours,{' '}
            <a href={door}>join again</a>.
          </Message>
        ) : (
          <Stack gap="16px">
            <Warnings clock={place.where === 'room' ? view.clock : null} aloud={aloud} />
            <Messages
              messages={view.messages}
              putAway={view.putAway}
              onPutAway={messageId => send({ type: 'put-away', messageId })}
            />
            {place.where === 'room' && view.board ? (
              <BoardView
                key={place.copyId}
                copyId={place.copyId}
                board={view.board}
                me={{ id: view.me.id }}
                names={Object.fromEntries(place.members.map(member => [member.id, member.shownName]))}
                onStatus={setSaved}
              />
            ) : (
              <Together view={view} ownLink={ownLink} />
            )}
          </Stack>
        )}
      </Box>
      {place.where === 'room' && view.session.phase === 'open' && (
        <HelpBar help={view.help} visits={view.visits} aloud={aloud} onAloud={setAloud} onSend={send} />
      )}
    </Flex>
  )
}

/** With the whole group, or still waiting: what happens next. */
function Together({ view, ownLink }: { view: ParticipantView; ownLink: string }) {
  const { place, me } = view
  if (place.where === 'waiting') {
    return (
      <Stack gap="8px" py="24px">
        <chakra.h2 fontSize="l">Welcome, {me.shownName}</chakra.h2>
        <p>You are on the waiting list. The facilitator lets you in; leave this page open.</p>
      </Stack>
    )
  }
  if (place.where !== 'whole') return null
  return (
    <Stack gap="12px" py="16px">
      {place.next ? (
        <>
          <p>{view.clock ? 'Your room is' : 'You will be in'}</p>
          <chakra.h2 fontSize="xl">{place.next.name}</chakra.h2>
          <p>
            with{' '}
            {place.next.members.filter(name => name !== me.shownName).join(', ') ||
              'people who have not arrived yet'}
          </p>
          <chakra.p color="quiet">
            {view.clock
              ? 'The others are in their rooms now. The facilitator sends you there; leave this page open.'
              : 'Everyone stays here until you are sent out.'}
          </chakra.p>
        </>
      ) : (
        <p>
          {view.clock ? 'The others are in their rooms now. ' : ''}You have no room yet. The facilitator will
          place you; leave this page open.
        </p>
      )}
      {view.session.rounds > 0 && (
        <chakra.p fontSize="s">
          <a href={ownLink}>What the rooms you were in have made</a>
        </chakra.p>
      )}
    </Stack>
  )
}

function Ended({ ownLink }: { ownLink: string }) {
  return (
    <Stack gap="16px" py="24px" align="flex-start">
      <chakra.h2 fontSize="l">The session has ended. Thank you.</chakra.h2>
      <p>What your rooms made is kept. This is your own link to it; keep it if you want to come back.</p>
      <ButtonLink kind="main" to={ownLink}>
        See what we made
      </ButtonLink>
    </Stack>
  )
}
