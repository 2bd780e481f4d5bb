import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Megaphone, MessageSquare } from 'lucide-react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'

interface MessagesProps {
  messages: ParticipantView['messages']
  putAway: string[]
  onPutAway: (messageId: string) => void
}

/** Broadcasts and notes: on top of the board until put away, and kept below a fold afterwards. */
export function Messages({ messages, putAway, onPutAway }: MessagesProps) {
  const standing = messages.filter(message => !putAway.includes(message.id)).reverse()
  const kept = messages.filter(message => putAway.includes(message.id))
  return (
    <Stack gap="8px" aria-live="assertive">
      {standing.map(message => (
        <Box key={message.id} bg="liveWash" borderWidth="2px" borderColor="live" borderRadius="8px" p="12px">
          <Flex justify="space-between" align="flex-start" gap="12px">
            <Box minW="0">
              <MessageHead message={message} />
              <chakra.p fontSize="l" whiteSpace="pre-wrap" overflowWrap="anywhere">
                {message.text}
              </chakra.p>
            </Box>
            <Button size="small" onClick={() => onPutAway(message.id)}>
              Put away
            </Button>
          </Flex>
        </Box>
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
                <chakra.p whiteSpace="pre-wrap">{message.text}</chakra.p>
              </Box>
            ))}
          </Stack>
        </chakra.details>
      )}
    </Stack>
  )
}

function MessageHead({ message }: { message: ParticipantView['messages'][number] }) {
  const Icon = message.kind === 'broadcast' ? Megaphone : MessageSquare
  return (
    <Flex gap="6px" align="center" fontSize="s" color="quiet">
      <Icon size={16} aria-hidden="true" />
      {message.from}, {message.kind === 'broadcast' ? 'to everyone' : 'to your room'}
    </Flex>
  )
}
