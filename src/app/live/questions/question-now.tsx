import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Users } from 'lucide-react'
import { Button } from '../../ui/button'
import { useKeptText } from '../../ui/use-kept'
import type { LiveView, Send } from '../live-view'
import { answersTo, calledOf } from './question-words'

interface QuestionNowProps {
  sessionId: string
  view: LiveView
  /** Groups can be made now. */
  canGroup: boolean
  onGroup: (questionId: string) => void
  send: Send
}

/** The last question until it is put away: how many have answered, how often what, and groups of the answers. */
export function QuestionNow({ sessionId, view, canGroup, onGroup, send }: QuestionNowProps) {
  const { questions, people } = view
  const [away, setAway] = useKeptText(`question-away-${sessionId}`)
  const question = questions.at(-1)
  if (!question || (away === question.id && !question.isOpen)) return null
  const answered = answersTo(question)
  const here = people.filter(person => person.admitted && person.hasDevice).length
  const most = Math.max(1, ...question.counts)
  return (
    <Stack
      as="section"
      aria-label="Question"
      gap="8px"
      bg="panel"
      borderWidth="1px"
      borderColor={question.isOpen ? 'live' : 'line'}
      borderRadius="8px"
      p="10px 12px"
    >
      <Flex gap="6px 12px" align="center" wrap="wrap">
        <b>{calledOf(question)}</b>
        <chakra.span role="status" color="quiet">
          {answered} of {here} have answered{question.isOpen ? '.' : '; closed.'}
        </chakra.span>
        <Flex gap="8px" ml="auto" wrap="wrap">
          {canGroup && answered > 0 && (
            <Button size="small" onClick={() => onGroup(question.id)}>
              <Users size={18} aria-hidden="true" /> Groups of the answers
            </Button>
          )}
          {question.isOpen ? (
            <Button size="small" onClick={() => send({ type: 'close-question', questionId: question.id })}>
              Close the question
            </Button>
          ) : (
            <>
              <Button
                size="small"
                onClick={() =>
                  send({ type: 'ask-question', text: question.text, answers: [...question.answers] })
                }
              >
                Ask again
              </Button>
              <Button size="small" onClick={() => setAway(question.id)}>
                Put away
              </Button>
            </>
          )}
        </Flex>
      </Flex>
      <chakra.dl display="grid" gridTemplateColumns="minmax(60px, max-content) 1fr" gap="4px 12px" m="0">
        {question.answers.map((answer, index) => (
          <Box key={answer} display="contents">
            <chakra.dt overflowWrap="anywhere">{answer}</chakra.dt>
            <chakra.dd display="flex" alignItems="center" gap="8px" m="0">
              <Box
                aria-hidden="true"
                h="12px"
                borderRadius="3px"
                bg="live"
                style={{ width: `${(70 * (question.counts[index] ?? 0)) / most}%` }}
              />
              {question.counts[index] ?? 0}
            </chakra.dd>
          </Box>
        ))}
      </chakra.dl>
    </Stack>
  )
}
