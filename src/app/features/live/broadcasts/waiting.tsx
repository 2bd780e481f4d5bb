import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Clock } from 'lucide-react'
import { timeOfDay } from '~/core/schedule/session-time'
import type { LiveView, Send } from '../../../live/live-view'
import { Button } from '../../../ui/button'
import { toWhom } from '../give-material'

interface WaitingProps {
  view: LiveView
  timeZone: string
  send: Send
}

/** Broadcasts that wait for their time. */
export function Waiting({ view, timeZone, send }: WaitingProps) {
  return (
    <section aria-labelledby="waiting-to-be-said">
      <chakra.h3 id="waiting-to-be-said" fontWeight="650" mb="6px">
        Waiting for its time
      </chakra.h3>
      <Stack as="ul" listStyleType="none" gap="8px">
        {view.scheduled.map(({ id, text, at, roomIds, notDone }) => (
          <Flex as="li" key={id} justify="space-between" gap="8px" align="flex-start">
            <Box minW="0">
              <Flex fontSize="s" color="quiet" gap="6px" align="center">
                <Clock size={16} aria-hidden="true" /> {timeOfDay(at, timeZone)}, {toWhom(view, roomIds)}
                {notDone !== null && ' if not done'}
              </Flex>
              <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
                {text}
              </chakra.p>
            </Box>
            <Button
              size="small"
              aria-label={`Take back ${text}`}
              onClick={() => send({ type: 'drop-scheduled', messageId: id })}
            >
              Take back
            </Button>
          </Flex>
        ))}
      </Stack>
    </section>
  )
}
