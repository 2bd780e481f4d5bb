import { Box, chakra, Flex } from '@chakra-ui/react'
import { Megaphone } from 'lucide-react'
import { memo } from 'react'
import { LONGEST_MESSAGE } from '~/core/live/messages/message'
import { useSays } from '../../live-client/doing'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import { BAR } from '../bar'
import type { Send } from '../live-view'

interface BroadcastFieldProps {
  sessionId: string
  field: React.RefObject<HTMLInputElement | null>
  send: Send
}

/** Where a broadcast in the making is kept. */
export const broadcastKey = (sessionId: string) => `broadcast-${sessionId}`

/** What is said to everybody at once; half of it survives a reload. */
export const BroadcastField = memo(function BroadcastField({ sessionId, field, send }: BroadcastFieldProps) {
  const [text, setText] = useKeptText(broadcastKey(sessionId))
  useSays(text)
  const submit = async () => {
    if (await send({ type: 'broadcast', text })) setText('')
  }
  return (
    <Flex
      as="form"
      flex="1"
      minW={{ base: '240px', md: '110px' }}
      gap="8px"
      align="center"
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <Box flex="1">
        <Field label="Broadcast to all" hideLabel>
          {parts => (
            <Input
              {...parts}
              ref={field}
              minH={BAR.minH}
              maxLength={LONGEST_MESSAGE}
              placeholder="Broadcast to all"
              title="Key: b"
              value={text}
              onChange={event => setText(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" aria-label="Broadcast" {...BAR} disabled={text.trim() === ''}>
        <Megaphone size={20} aria-hidden="true" />
        <chakra.span display={{ base: 'none', '2xl': 'inline' }}>Broadcast</chakra.span>
      </Button>
    </Flex>
  )
})
