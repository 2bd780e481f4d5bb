import { Box, chakra, Flex } from '@chakra-ui/react'
import { MonitorUp, QrCode } from 'lucide-react'
import { useState } from 'react'
import { Button, ButtonLink } from '../../ui/button'
import { Tick } from '../../ui/fields'
import type { LiveView, Send } from './live-page'

interface LiveHeadProps {
  sessionId: string
  view: LiveView
  line: 'live' | 'lost'
  join: { code: string; address: string; image: string }
  send: Send
}

/** How people get in, and the page for the wall. */
export function LiveHead({ sessionId, view, line, join, send }: LiveHeadProps) {
  const [showing, setShowing] = useState(false)
  if (view.session.phase === 'ended') {
    return (
      <Flex bg="sunk" borderRadius="8px" p="12px 16px" mb="12px" justify="space-between" align="center" gap="12px" wrap="wrap">
        <b>The session has ended.</b>
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
      <Flex align="center" gap="10px 16px" wrap="wrap">
        <chakra.span>
          Join code{' '}
          <chakra.b fontSize="l" letterSpacing="0.05em">
            {join.code}
          </chakra.b>
        </chakra.span>
        <Button size="small" aria-expanded={showing} onClick={() => setShowing(!showing)}>
          <QrCode size={16} aria-hidden="true" /> {showing ? 'Hide the code to scan' : 'Show the code to scan'}
        </Button>
        <ButtonLink size="small" to={`/sessions/${sessionId}/projector`} target="_blank">
          <MonitorUp size={16} aria-hidden="true" /> Page for the projector
        </ButtonLink>
        <Tick checked={view.session.waitingList} onChange={event => send({ type: 'set-waiting-list', on: event.target.checked })}>
          Waiting list
        </Tick>
      </Flex>
      {showing && (
        <Flex gap="16px" align="center" mt="8px">
          {/* The image is made on the server from the address alone. */}
          <Box w="160px" bg="white" borderRadius="4px" role="img" aria-label="Code to scan for joining" dangerouslySetInnerHTML={{ __html: join.image }} />
          <chakra.span overflowWrap="anywhere">{join.address}</chakra.span>
        </Flex>
      )}
    </Box>
  )
}
