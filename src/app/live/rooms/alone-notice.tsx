import { chakra, Flex, Stack } from '@chakra-ui/react'
import { ArrowLeft, ArrowRight } from 'lucide-react'
import { useEffect, useRef } from 'react'
import type { Alone, Mend } from '~/core/live/rooms/alone'
import { Button } from '../../ui/button'
import type { Send } from '../live-view'

interface AloneNoticeProps {
  alone: Alone[]
  send: Send
  /** Sends everybody out as it is. */
  onSendOut: () => void
  onCancel: () => void
}

/** Before sending out: who would be alone in a room, with the moves that mend it. */
export function AloneNotice({ alone, send, onSendOut, onCancel }: AloneNoticeProps) {
  const notice = useRef<HTMLDivElement>(null)
  useEffect(() => notice.current?.focus(), [])
  return (
    <Stack
      ref={notice}
      tabIndex={-1}
      role="alertdialog"
      aria-label="Somebody would be alone"
      gap="8px"
      bg="askWash"
      borderWidth="1px"
      borderColor="ask"
      borderRadius="8px"
      p="12px"
      mb="10px"
      maxH="40vh"
      overflowY="auto"
    >
      {alone.length === 0 && <b>Nobody would be alone now.</b>}
      {alone.map(({ roomId, roomName, person, mends }) => (
        <Flex key={roomId} gap="8px" align="center" wrap="wrap">
          <span>
            <b>{person.shownName}</b> would be alone in <b>{roomName}</b>.
          </span>
          {mends.map(mend => (
            <MendButton key={mend.kind} mend={mend} send={send} />
          ))}
          {mends.length === 0 && <chakra.span color="quiet">Nobody else has a room.</chakra.span>}
        </Flex>
      ))}
      <Flex gap="8px" wrap="wrap">
        <Button kind="main" onClick={onSendOut}>
          {alone.length === 0 ? 'Send out' : 'Send out as it is'}
        </Button>
        <Button onClick={onCancel}>Not yet</Button>
      </Flex>
    </Stack>
  )
}

/** A move by which nobody is alone in a room; short where it stands beside the room it is about. */
export function MendButton({ mend, short, send }: { mend: Mend; short?: boolean; send: Send }) {
  const { kind, shownName, roomName } = mend
  const words = kind === 'merge' ? `Move to ${roomName}` : `Bring ${shownName} from ${roomName}`
  const Icon = kind === 'merge' ? ArrowRight : ArrowLeft
  return (
    <Button
      size="small"
      aria-label={short ? (kind === 'merge' ? `Move ${shownName} to ${roomName}` : words) : undefined}
      onClick={() => send({ type: 'place', participantId: mend.participantId, roomId: mend.toRoomId })}
    >
      {short ? (
        <>
          <Icon size={16} aria-hidden="true" /> {kind === 'merge' ? roomName : shownName}
        </>
      ) : (
        words
      )}
    </Button>
  )
}
