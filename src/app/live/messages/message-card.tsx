import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Megaphone, MessageSquare, Reply, Volume2, VolumeX } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { LONGEST_ANSWER, MOST_ANSWERS } from '~/core/live/heard/answer'
import type { Message } from '~/core/live/messages/message'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { Tag } from '../../ui/layout'
import { useKeptText } from '../../ui/use-kept'
import type { SendFromPlace } from '../live-view'
import { useReadAloud } from './use-read-aloud'
import type { SeenHere } from './use-seen'
import { WithMessage } from './with-message'

interface MessageCardProps {
  message: Message
  seen: SeenHere
  /** It was said again to those who had not seen it. */
  again: boolean
  answers: ParticipantView['ownAnswers']
  send: SendFromPlace
}

/** A message that stands until it is put away: read aloud by the device, and answered, by who wants to. */
export function MessageCard({ message, seen: { follow }, again, answers, send }: MessageCardProps) {
  const { id, text, thing } = message
  const card = useRef<HTMLDivElement>(null)
  const [answering, setAnswering] = useState(false)
  const aloud = useReadAloud(text)
  useEffect(() => (card.current ? follow(id, card.current) : undefined), [follow, id])
  return (
    <Box ref={card} bg="liveWash" borderWidth="2px" borderColor="live" borderRadius="8px" p="12px">
      <Flex justify="space-between" align="flex-start" gap="12px">
        <Box minW="0">
          <MessageHead message={message} again={again} />
          <chakra.p fontSize="l" whiteSpace="pre-wrap" overflowWrap="anywhere">
            {text}
          </chakra.p>
          <WithMessage thing={thing} />
        </Box>
        <Button size="small" onClick={() => send({ type: 'put-away', messageId: id })}>
          Put away
        </Button>
      </Flex>
      {answers.map(answer => (
        <chakra.p key={answer.id} fontSize="s" color="quiet" overflowWrap="anywhere" mt="4px">
          You answered: {answer.text}
        </chakra.p>
      ))}
      <Flex gap="4px" wrap="wrap" mt="6px">
        {answers.length < MOST_ANSWERS && (
          <Button size="small" kind="bare" aria-expanded={answering} onClick={() => setAnswering(!answering)}>
            <Reply size={16} aria-hidden="true" /> Answer
          </Button>
        )}
        {aloud && (
          <Button size="small" kind="bare" aria-pressed={aloud.reading} onClick={aloud.toggle}>
            {aloud.reading ? (
              <VolumeX size={16} aria-hidden="true" />
            ) : (
              <Volume2 size={16} aria-hidden="true" />
            )}
            {aloud.reading ? 'Stop reading' : 'Read aloud'}
          </Button>
        )}
      </Flex>
      {answering && <AnswerForm messageId={id} onDone={() => setAnswering(false)} send={send} />}
    </Box>
  )
}

export function MessageHead({ message, again = false }: { message: Message; again?: boolean }) {
  const Icon = message.kind === 'broadcast' ? Megaphone : MessageSquare
  return (
    <Flex gap="6px" align="center" fontSize="s" color="quiet" wrap="wrap">
      <Icon size={16} aria-hidden="true" />
      {message.from}, {message.roomIds === null ? 'to everyone' : 'to your room'}
      {again && <Tag kind="live">said again</Tag>}
    </Flex>
  )
}

interface AnswerFormProps {
  messageId: string
  onDone: () => void
  send: SendFromPlace
}

function AnswerForm({ messageId, onDone, send }: AnswerFormProps) {
  const [text, setText] = useKeptText(`answer-${messageId}`)
  const field = useRef<HTMLTextAreaElement>(null)
  useEffect(() => field.current?.focus(), [])
  return (
    <Stack
      as="form"
      gap="6px"
      mt="6px"
      onSubmit={async event => {
        event.preventDefault()
        if (!(await send({ type: 'answer-message', messageId, text }))) return
        setText('')
        onDone()
      }}
    >
      <Field label="Your answer" hint="Facilitators read it, with your name.">
        {parts => (
          <TextArea
            {...parts}
            ref={field}
            rows={2}
            minH="56px"
            maxLength={LONGEST_ANSWER}
            value={text}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      <Flex gap="8px">
        <Button type="submit" size="small" kind="main" disabled={text.trim() === ''}>
          Send the answer
        </Button>
        <Button size="small" kind="bare" onClick={onDone}>
          Cancel
        </Button>
      </Flex>
    </Stack>
  )
}
