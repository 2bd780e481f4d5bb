import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import type { Alone } from '~/core/live/rooms/alone'
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
            <Button
              key={mend.kind}
              size="small"
              onClick={() =>
                send({ type: 'place', participantId: mend.participantId, roomId: mend.toRoomId })
              }
            >
              {mend.kind === 'merge'
                ? `Move to ${mend.roomName}`
                : `Bring ${mend.shownName} from ${mend.roomName}`}
            </Button>
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
