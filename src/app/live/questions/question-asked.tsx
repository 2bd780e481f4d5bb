import { chakra, Stack } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

/** A question everybody is asked: one press answers it, another thinks better of it. */
export function QuestionAsked({ view, send }: { view: ParticipantView; send: SendFromPlace }) {
  const { question, myAnswer } = view
  if (!question) return null
  const { id, text, answers } = question
  return (
    <Stack
      as="section"
      gap="10px"
      aria-label="Question"
      borderWidth="2px"
      borderColor="live"
      borderRadius="8px"
      p="12px"
    >
      <chakra.h2 fontSize="l" overflowWrap="anywhere">
        {text || 'Your answer to what was asked?'}
      </chakra.h2>
      {answers.map((answer, index) => (
        <Button
          key={answer}
          kind={myAnswer === index ? 'main' : 'plain'}
          size="large"
          aria-pressed={myAnswer === index}
          onClick={() => send({ type: 'answer-question', questionId: id, answer: index })}
        >
          {answer}
        </Button>
      ))}
      <chakra.p color="quiet" fontSize="s">
        Those who lead see who answered what; nobody else does.
      </chakra.p>
    </Stack>
  )
}
