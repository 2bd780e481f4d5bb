import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Eye } from 'lucide-react'
import { LONGEST_OBSERVATION } from '~/core/live/observations/observation'
import { timeOfDay } from '~/core/schedule/session-time'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import type { LiveView, Send } from '../live-view'

interface ObservationsProps {
  sessionId: string
  on: { roomId: string } | { participantId: string }
  view: LiveView
  timeZone: string
  send: Send
}

/** What facilitators note down on a room or a person, for themselves and the review. */
export function Observations({ sessionId, on, view, timeZone, send }: ObservationsProps) {
  const id = 'roomId' in on ? on.roomId : on.participantId
  const made = view.observations.filter(({ roomId, participantId }) => (roomId ?? participantId) === id)
  const [text, setText] = useKeptText(`observation-${sessionId}-${id}`)
  return (
    <Box>
      {made.length > 0 && (
        <Stack as="ul" listStyleType="none" gap="6px" mb="8px" aria-label="Observations">
          {made.map(each => (
            <Flex as="li" key={each.id} justify="space-between" gap="8px" align="flex-start">
              <Box minW="0">
                <Flex fontSize="s" color="quiet" gap="6px" align="center">
                  <Eye size={16} aria-hidden="true" /> {timeOfDay(each.at, timeZone)}, {each.from}
                </Flex>
                <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
                  {each.text}
                </chakra.p>
              </Box>
              <Button
                size="small"
                kind="bare"
                aria-label={`Drop the observation ${each.text}`}
                onClick={() => send({ type: 'drop-observation', observationId: each.id })}
              >
                Drop
              </Button>
            </Flex>
          ))}
        </Stack>
      )}
      <Stack
        as="form"
        gap="6px"
        onSubmit={async event => {
          event.preventDefault()
          if (await send({ type: 'observe', on, text })) setText('')
        }}
      >
        <Field label="Observation" hint="Facilitators alone read it, here and in the review.">
          {parts => (
            <TextArea
              {...parts}
              rows={2}
              minH="56px"
              maxLength={LONGEST_OBSERVATION}
              value={text}
              onChange={event => setText(event.target.value)}
            />
          )}
        </Field>
        <Flex>
          <Button type="submit" size="small" disabled={text.trim() === ''}>
            Keep the observation
          </Button>
        </Flex>
      </Stack>
    </Box>
  )
}
