import { Box, chakra, Flex } from '@chakra-ui/react'
import { MonitorUp, QrCode } from 'lucide-react'
import { memo, useState } from 'react'
import type { Doing } from '~/contracts/doing'
import { AtTheFront } from '../../live/facilitators/at-the-front'
import { OwnDuty } from '../../live/facilitators/own-duty'
import type { LiveView, Send } from '../../live/live-view'
import { PutUpHere } from '../../live/put-up/put-up-here'
import { Button, ButtonLink } from '../../ui/button'
import { Tick } from '../../ui/fields'
import { ShareOut } from './share-out'

interface LiveHeadProps {
  sessionId: string
  view: LiveView
  accountId: string
  /** What the others at the front are at, by account. */
  doing: Readonly<Record<string, Doing>>
  /** Groups are being made beside the lanes, or people come by themselves already: then the room is theirs. */
  making: boolean
  line: 'live' | 'lost'
  join: { code: string; address: string; image: string; guessed: boolean; others: string[] }
  /** Whether a help call is heard; null where nobody calls. */
  sound: { on: boolean; set: (on: boolean) => void } | null
  send: Send
}

/** How people get in, and the page for the wall. */
export const LiveHead = memo(function LiveHead({
  sessionId,
  view,
  accountId,
  doing,
  making,
  line,
  join,
  sound,
  send,
}: LiveHeadProps) {
  const [asked, setAsked] = useState<boolean | null>(null)
  // With nothing prepared, people have to come in first: until there are rooms it shows by itself.
  const showing = asked ?? (view.rooms.length === 0 && !making)
  const [more, setMore] = useState(false)
  if (view.session.phase === 'ended') {
    return (
      <Flex
        bg="sunk"
        borderRadius="8px"
        p="12px 16px"
        mb="12px"
        justify="space-between"
        align="center"
        gap="12px"
        wrap="wrap"
      >
        <b>The session has ended.</b>
        <Button onClick={() => send({ type: 'reopen-session' })}>Open it again</Button>
        <ButtonLink kind="main" to={`/sessions/${sessionId}/review`} reloadDocument>
          Review what the groups made
        </ButtonLink>
      </Flex>
    )
  }
  return (
    <Box mb="10px">
      {line === 'lost' && (
        <Box bg="ask" color="onAsk" px="12px" py="4px" borderRadius="4px" mb="8px" role="status">
          The line to the server is down. What you see may be old; it comes back by itself.
        </Box>
      )}
      <Flex align="center" gap="8px 10px" wrap="wrap">
        <Button
          size="small"
          display={{ base: 'inline-flex', md: 'none' }}
          order="1"
          aria-expanded={more}
          onClick={() => setMore(!more)}
        >
          {more ? 'Less' : 'More'}
        </Button>
        <chakra.span>
          Join code{' '}
          <chakra.b fontSize="l" letterSpacing="0.05em">
            {join.code}
          </chakra.b>
        </chakra.span>
        <PutUpHere is="join-code" name="the join code" view={view} send={send} />
        <Flex
          display={{ base: more ? 'flex' : 'none', md: 'contents' }}
          order="2"
          gap="8px 10px"
          wrap="wrap"
          align="center"
        >
          <Button size="small" aria-expanded={showing} onClick={() => setAsked(!showing)}>
            <QrCode size={16} aria-hidden="true" /> Code to scan
          </Button>
          <ButtonLink size="small" to={`/sessions/${sessionId}/projector`} target="_blank">
            <MonitorUp size={16} aria-hidden="true" /> Projector
          </ButtonLink>
          <Tick
            checked={view.door.waitingList}
            onChange={event => send({ type: 'set-waiting-list', on: event.target.checked })}
          >
            Waiting list
          </Tick>
          <Tick
            checked={view.door.locked}
            onChange={event => send({ type: 'lock-door', on: event.target.checked })}
          >
            Door locked
          </Tick>
          {sound && (
            <Tick checked={sound.on} onChange={event => sound.set(event.target.checked)}>
              Sound for calls
            </Tick>
          )}
          <AtTheFront view={view} accountId={accountId} doing={doing} />
          <ShareOut view={view} accountId={accountId} send={send} />
        </Flex>
      </Flex>
      <OwnDuty view={view} accountId={accountId} send={send} />
      {showing && (
        <Flex gap="16px" align="center" mt="8px">
          <chakra.img
            src={join.image}
            alt="Code to scan for joining"
            w={view.rooms.length === 0 ? '240px' : '160px'}
            h={view.rooms.length === 0 ? '240px' : '160px'}
            flexShrink="0"
            borderRadius="4px"
          />
          <Box minW="0">
            <chakra.p overflowWrap="anywhere">{join.address}</chakra.p>
            {join.guessed && (
              <chakra.p fontSize="s" color="quiet" overflowWrap="anywhere">
                This page was opened on the server’s own machine, at an address that leads everybody else to
                theirs. Others may reach it at the address above
                {join.others.length > 0 && `, or at ${join.others.join(', ')}`}. Set PUBLIC_ADDRESS to say for
                sure.
              </chakra.p>
            )}
          </Box>
        </Flex>
      )}
    </Box>
  )
})
