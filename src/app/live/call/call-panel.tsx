import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Mic, MicOff, MonitorUp, PhoneOff, Video, VideoOff } from 'lucide-react'
import { useEffect, useState, useSyncExternalStore } from 'react'
import type { CallHere, Given } from '~/core/live/call/ways'
import { MOST_IN_CALL } from '~/core/live/call/ways'
import { directMedia } from '../../live-client/call/direct'
import { OpenCall } from '../../live-client/call/open-call'
import { simulatedMedia } from '../../live-client/call/simulated'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { CallTile } from './call-tile'

interface CallPanelProps {
  sessionId: string
  call: CallHere
  asFacilitator?: boolean
  onLeave: () => void
}

/** The call of a room, for whoever has come into it: who is there, and what one gives oneself. */
export default function CallPanel(props: CallPanelProps) {
  const [call, setCall] = useState<OpenCall | null>(null)
  const { sessionId, asFacilitator } = props
  const { roomId, way } = props.call
  useEffect(() => {
    const made = openCall(sessionId, roomId, way, asFacilitator === true)
    setCall(made)
    return () => made.leave()
  }, [sessionId, roomId, way, asFacilitator])
  return call && <InCall {...props} open={call} />
}

function openCall(sessionId: string, roomId: string, way: CallHere['way'], asFacilitator: boolean): OpenCall {
  const { protocol, host } = location
  const address = `${protocol === 'https:' ? 'wss' : 'ws'}://${host}/calls/${sessionId}/${roomId}`
  return new OpenCall(
    () => new WebSocket(asFacilitator ? `${address}?facilitator` : address),
    way === 'direct' ? directMedia : simulatedMedia,
  )
}

function InCall({ call, asFacilitator, onLeave, open }: CallPanelProps & { open: OpenCall }) {
  const { line, why, you, members, given, pictures, problem } = useSyncExternalStore(
    open.subscribe,
    open.getSnapshot,
    open.getSnapshot,
  )
  const { way } = call
  // Who switched the others' microphones off is still to be heard.
  const silent = call.silent && !asFacilitator
  useEffect(() => {
    if (silent) open.give({ microphone: false })
  }, [silent, open])
  if (line === 'ended')
    return (
      <Flex gap="8px" align="center" wrap="wrap">
        <Box flex="1">
          <Message kind="problem">{why === 'full' ? fullText(way) : WHY[why ?? 'notYours']}</Message>
        </Box>
        <Button onClick={onLeave}>Put away</Button>
      </Flex>
    )
  const toggle = (what: keyof Given) => () => open.give({ [what]: !given[what] })
  return (
    <Stack gap="8px">
      <Flex gap="6px" wrap="wrap">
        <Button size="small" disabled={line !== 'in' || silent} onClick={toggle('microphone')}>
          {given.microphone ? <MicOff size={16} aria-hidden="true" /> : <Mic size={16} aria-hidden="true" />}
          Switch microphone {given.microphone ? 'off' : 'on'}
        </Button>
        <Button size="small" disabled={line !== 'in'} onClick={toggle('camera')}>
          {given.camera ? <VideoOff size={16} aria-hidden="true" /> : <Video size={16} aria-hidden="true" />}
          Switch camera {given.camera ? 'off' : 'on'}
        </Button>
        <Button size="small" disabled={line !== 'in'} onClick={toggle('sharing')}>
          <MonitorUp size={16} aria-hidden="true" />
          {given.sharing ? 'Stop showing your screen' : 'Show your screen'}
        </Button>
        <Button size="small" kind="stop" onClick={onLeave}>
          <PhoneOff size={16} aria-hidden="true" /> Leave the call
        </Button>
      </Flex>
      {silent && <Message>The facilitator has switched the microphones of this room off.</Message>}
      {problem && <Message kind="problem">{problem}</Message>}
      {line !== 'in' && (
        <chakra.p fontSize="s" color="quiet" role="status">
          {line === 'lost'
            ? 'The line to the call is down; it comes back by itself.'
            : 'Coming into the call…'}
        </chakra.p>
      )}
      <Flex as="ul" listStyleType="none" gap="8px" wrap="wrap" align="flex-start" aria-label="In the call">
        {members.map(member => (
          <CallTile
            key={member.id}
            member={member}
            isOwn={member.id === you}
            simulated={way === 'simulated'}
            pictures={pictures[member.id]}
          />
        ))}
      </Flex>
      <chakra.p fontSize="s" color="quiet">
        {way === 'simulated'
          ? 'A simulated call, for trying out: nobody hears or sees anything. '
          : 'Sound and pictures go from browser to browser. '}
        Nothing is recorded.
      </chakra.p>
    </Stack>
  )
}

const fullText = (way: CallHere['way']) =>
  `There are ${MOST_IN_CALL[way]} in this call already, and it takes no more. Try again when somebody has left.`

const WHY = {
  notYours: 'You are no longer in this call.',
  elsewhere: 'You came into the call on another page; here you have left it.',
}
