import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Check, Repeat2, Reply } from 'lucide-react'
import { NOT_IN_A_ROOM, type Seen } from '~/core/live/heard/answer'
import type { Message } from '~/core/live/messages/message'
import { timeOfDay } from '~/core/schedule/session-time'
import type { LiveView, Send } from '../../../live/live-view'
import { Button } from '../../../ui/button'
import { toWhom } from '../give-material'

interface SaidProps {
  message: Message
  view: LiveView
  timeZone: string
  send: Send
}

/** One broadcast or note: to how many it has come and where it has not, what was answered, and saying it again to those who missed it. */
export function Said({
  message: { id, text, thing, from, at, roomIds, toId },
  view,
  timeZone,
  send,
}: SaidProps) {
  const seen = view.heard[id]
  const answers = view.messageAnswers.filter(({ messageId }) => messageId === id)
  return (
    <Box as="li" borderTopWidth="1px" pt="8px">
      <chakra.p fontSize="s" color="quiet">
        {timeOfDay(at, timeZone)}, {from},{' '}
        {toId === null ? toWhom(view, roomIds) : `to ${shownName(view, toId)} alone`}
      </chakra.p>
      <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
        {text}
      </chakra.p>
      {thing && (
        <chakra.p fontSize="s" overflowWrap="anywhere">
          With: {thing.title}
        </chakra.p>
      )}
      {seen && (
        <Flex gap="8px" align="center" justify="space-between" wrap="wrap" fontSize="s">
          <Box>
            <Flex gap="4px" align="center" fontWeight="600">
              {seen.seen === seen.of && seen.of > 0 && <Check size={16} aria-hidden="true" />}
              {seenWords(seen)}
            </Flex>
            {seen.seen < seen.of && toId === null && (
              <chakra.p color="quiet">{unseenWords(seen, view)}</chakra.p>
            )}
          </Box>
          {seen.seen < seen.of && (
            <Button
              size="small"
              title="To those who have not seen it"
              onClick={() => send({ type: 'say-again', messageId: id })}
            >
              <Repeat2 size={16} aria-hidden="true" /> Say it again
            </Button>
          )}
        </Flex>
      )}
      {answers.length > 0 && (
        <Stack as="ul" listStyleType="none" gap="2px" mt="4px" aria-label={`Answers to ${text}`}>
          {answers.map(answer => (
            <Flex as="li" key={answer.id} gap="6px" fontSize="s">
              <chakra.span flexShrink="0" pt="2px">
                <Reply size={16} aria-hidden="true" />
              </chakra.span>
              <chakra.span overflowWrap="anywhere" minW="0">
                <b>{shownName(view, answer.participantId)}</b>
                {answer.roomId !== null && ` (${roomName(view, answer.roomId)})`}: {answer.text}
              </chakra.span>
            </Flex>
          ))}
        </Stack>
      )}
    </Box>
  )
}

/** To how many of those it is for a broadcast has come. */
export const seenWords = ({ seen, of }: Pick<Seen, 'seen' | 'of'>): string =>
  of === 0
    ? 'Nobody was there to see it'
    : of === 1
      ? seen === 1
        ? 'Seen'
        : 'Not seen yet'
      : seen === of
        ? `Seen by all ${of}`
        : `Seen by ${seen} of ${of}`

const unseenWords = ({ unseen }: Seen, view: LiveView): string =>
  `Not yet: ${Object.entries(unseen)
    .map(
      ([id, count]) =>
        `${count} ${id === NOT_IN_A_ROOM ? 'with the whole group' : `in ${roomName(view, id)}`}`,
    )
    .join(', ')}`

const roomName = ({ rooms, closedRooms }: LiveView, roomId: string): string =>
  [...rooms, ...closedRooms].find(({ id }) => id === roomId)?.name ?? 'a room'

const shownName = ({ people }: LiveView, participantId: string): string =>
  people.find(({ id }) => id === participantId)?.shownName ?? 'Somebody who has left'
