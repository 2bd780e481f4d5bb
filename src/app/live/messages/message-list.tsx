import { Box, chakra, Stack } from '@chakra-ui/react'
import { ArrowUp } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'
import { MessageCard, MessageHead } from './message-card'
import { useSeen } from './use-seen'
import { WithMessage } from './with-message'

export interface MessagesProps
  extends Pick<ParticipantView, 'messages' | 'putAway' | 'ownAnswers' | 'saidAgain'> {
  /** Whether messages that come are also heard and felt. */
  aloud: boolean
  send: SendFromPlace
}

/** All messages of a participant's page. */
export default function MessageList({
  messages,
  putAway,
  ownAnswers,
  saidAgain,
  aloud,
  send,
}: MessagesProps) {
  const standing = messages.filter(message => !putAway.includes(message.id)).reverse()
  const kept = messages.filter(message => putAway.includes(message.id))
  const seen = useSeen(messageIds => send({ type: 'see-messages', messageIds }))
  // What was there when the page was opened has been passed by already; what comes now must not be missed further down.
  const [before] = useState(() => new Set(messages.map(({ id }) => id)))
  const missed = standing.filter(({ id }) => !seen.has(id) && (!before.has(id) || id in saidAgain))
  useSaidAgain(saidAgain, aloud)
  return (
    <>
      {standing.map(message => (
        <MessageCard
          key={message.id}
          message={message}
          seen={seen}
          again={message.id in saidAgain}
          answers={ownAnswers.filter(answer => answer.messageId === message.id)}
          send={send}
        />
      ))}
      {kept.length > 0 && (
        <chakra.details fontSize="s">
          <chakra.summary cursor="pointer" py="4px">
            {kept.length === 1 ? '1 earlier message' : `${kept.length} earlier messages`}
          </chakra.summary>
          <Stack gap="8px" mt="6px">
            {kept.map(message => (
              <Box key={message.id} bg="sunk" borderRadius="6px" p="8px">
                <MessageHead message={message} />
                <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
                  {message.text}
                </chakra.p>
                <WithMessage thing={message.thing} />
              </Box>
            ))}
          </Stack>
        </chakra.details>
      )}
      {missed.length > 0 && (
        <Box position="fixed" bottom="84px" left="50%" transform="translateX(-50%)" zIndex="10">
          <Button kind="main" boxShadow="lg" onClick={() => seen.show(missed[0]?.id)}>
            <ArrowUp size={18} aria-hidden="true" />
            {missed.length === 1 ? 'A new message' : `${missed.length} new messages`}
          </Button>
        </Box>
      )}
    </>
  )
}

/** What is said again is felt, as a warning is. */
function useSaidAgain(saidAgain: MessagesProps['saidAgain'], aloud: boolean) {
  const last = Math.max(0, ...Object.values(saidAgain))
  const [before] = useState(last)
  useEffect(() => {
    if (aloud && last > before) navigator.vibrate?.(200)
  }, [aloud, last, before])
}
