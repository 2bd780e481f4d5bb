import { Box, chakra } from '@chakra-ui/react'
import { placesOf } from '~/core/live/questions/question'
import type { ProjectorView } from '~/core/live/views'
import { LeftToAnswer } from './left-to-answer'

/** The open question for all to read, with how many have answered; what they answered stays with those who lead. */
export function QuestionOnWall({
  question,
  pageMadeAt,
}: Pick<ProjectorView, 'question'> & { pageMadeAt: number }) {
  if (!question) return null
  return (
    <Box
      as="section"
      aria-label="Question"
      borderWidth="3px"
      borderColor="live"
      borderRadius="8px"
      p="20px"
      mb="20px"
    >
      {question.text && (
        <chakra.h2 fontSize="40px" lineHeight="1.2" overflowWrap="anywhere">
          {question.text}
        </chakra.h2>
      )}
      <chakra.p fontSize="xl" mt="8px">
        {question.asks.is === 'scale'
          ? `From 1 ${question.asks.least} to ${question.asks.steps} ${question.asks.most}`
          : placesOf(question.asks)
              ?.map(({ name }) => name)
              .join(' · ')}
      </chakra.p>
      <chakra.p fontSize="l" color="quiet" mt="8px">
        {question.answered === 1 ? '1 answer' : `${question.answered} answers`}
      </chakra.p>
      {question.endsAt !== null && (
        <Box fontSize="l" mt="8px">
          <LeftToAnswer endsAt={question.endsAt} pageMadeAt={pageMadeAt} />
        </Box>
      )}
    </Box>
  )
}
