import { chakra, Flex, Stack } from '@chakra-ui/react'
import { Presentation, Users } from 'lucide-react'
import { Button } from '../../ui/button'
import { useKeptText } from '../../ui/use-kept'
import type { LiveView, Send } from '../live-view'
import { useOnPages } from '../put-up/use-on-pages'
import { answersTo, calledOf } from './question-words'
import { ResultBars } from './result-bars'

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
  const [onPages] = useOnPages()
  const [away, setAway] = useKeptText(`question-away-${sessionId}`)
  const question = questions.at(-1)
  if (!question || (away === question.id && !question.isOpen)) return null
  const isUp = view.putUp?.is === 'question' && view.putUp.results.id === question.id
  const answered = answersTo(question)
  const here = people.filter(person => person.admitted && person.hasDevice).length
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
          {isUp ? (
            <chakra.span color="quiet" fontSize="s" alignSelf="center">
              Its results are up.
            </chakra.span>
          ) : (
            <Button
              size="small"
              onClick={() =>
                send({ type: 'put-up-thing', thing: { is: 'question', questionId: question.id }, onPages })
              }
            >
              <Presentation size={16} aria-hidden="true" /> Put up the results
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
      <ResultBars results={question} />
    </Stack>
  )
}
