import { chakra, Flex, Stack } from '@chakra-ui/react'
import { Presentation, Users } from 'lucide-react'
import { memo } from 'react'
import { clockText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { useKeptText } from '../../ui/use-kept'
import type { LiveView, Send } from '../live-view'
import { useOnPages } from '../put-up/use-on-pages'
import { calledOf, changeText } from './question-words'
import { ResultsShown } from './results-shown'
import { WhoAnswered } from './who-answered'

interface QuestionNowProps {
  sessionId: string
  view: LiveView
  /** Groups can be made now. */
  canGroup: boolean
  onGroup: (questionId: string) => void
  pageMadeAt: number
  send: Send
}

/** The last question until it is put away: how many have answered, how often what, and groups of the answers. */
export const QuestionNow = memo(function QuestionNow({
  sessionId,
  view,
  canGroup,
  onGroup,
  pageMadeAt,
  send,
}: QuestionNowProps) {
  const { questionNow: now, people, rooms, putUp } = view
  const [away, setAway] = useKeptText(`question-away-${sessionId}`)
  const [onPages] = useOnPages()
  if (!now || (away === now.results.id && !now.results.isOpen)) return null
  const { results, before, change, named } = now
  const { id, asks, by, anonymous, isOpen, endsAt, answered } = results
  const ofAll =
    by === 'room' ? rooms.length : people.filter(person => person.admitted && person.hasDevice).length
  const isUp = putUp?.is === 'question' && putUp.results.id === id
  // What is said in words of one's own puts nobody with anybody.
  const groups =
    canGroup && answered > 0 && !anonymous && by === 'each' && asks.is !== 'words' && asks.is !== 'text'
  return (
    <Stack
      as="section"
      aria-label="Question"
      gap="8px"
      bg="panel"
      borderWidth="1px"
      borderColor={isOpen ? 'live' : 'line'}
      borderRadius="8px"
      p="10px 12px"
    >
      <Flex gap="6px 12px" align="center" wrap="wrap">
        <b>{calledOf(results)}</b>
        <chakra.span color="quiet">
          {answered} of {ofAll} {by === 'room' ? 'rooms ' : ''}have answered{isOpen ? '.' : '; closed.'}
          {anonymous && ' Without names.'}
        </chakra.span>
        {/* Not each answer, of which there may be hundreds. */}
        <chakra.span role="status" srOnly>
          {!isOpen ? 'The question is closed.' : answered >= ofAll && ofAll > 0 ? 'All have answered.' : ''}
        </chakra.span>
        {isOpen && endsAt !== null && <Left endsAt={endsAt} pageMadeAt={pageMadeAt} />}
        <Flex gap="8px" ml="auto" wrap="wrap">
          {groups && (
            <Button size="small" onClick={() => onGroup(id)}>
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
                send({ type: 'put-up-thing', thing: { is: 'question', questionId: id }, onPages })
              }
            >
              <Presentation size={16} aria-hidden="true" /> Put up the results
            </Button>
          )}
          {isOpen ? (
            <Button size="small" onClick={() => send({ type: 'close-question', questionId: id })}>
              Close the question
            </Button>
          ) : (
            <>
              <Button size="small" onClick={() => send({ type: 'ask-again', ofId: id })}>
                Ask again
              </Button>
              <Button size="small" onClick={() => setAway(id)}>
                Put away
              </Button>
            </>
          )}
        </Flex>
      </Flex>
      <ResultsShown results={results} before={before} drawn />
      {change && <p>{changeText(change)}</p>}
      {named.length > 0 && <WhoAnswered named={named} />}
    </Stack>
  )
})

function Left({ endsAt, pageMadeAt }: { endsAt: number; pageMadeAt: number }) {
  const now = useServerNow(pageMadeAt)
  return (
    <chakra.span role="timer" fontVariantNumeric="tabular-nums">
      {clockText(endsAt - now)} left
    </chakra.span>
  )
}
