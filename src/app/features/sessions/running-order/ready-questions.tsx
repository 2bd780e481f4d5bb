import { Flex, Stack } from '@chakra-ui/react'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { type Asks, LONGEST_ANSWER, LONGEST_QUESTION, MOST_ANSWERS } from '~/core/live/questions/question'
import { MOST_READY, type ReadyQuestion } from '~/core/schedule/ready-question'
import { Button } from '../../../ui/button'
import { Pick, Text } from './words'

/** How a planned question can be answered, by the name it has in the plan. */
const WAYS: Record<string, { name: string; asks: ReadyQuestion['asks'] }> = {
  'yes-no': { name: 'yes or no', asks: { is: 'choice', answers: ['Yes', 'No'] } },
  own: { name: 'own answers', asks: { is: 'choice', answers: ['A', 'B'] } },
  scale: { name: '1 to 5', asks: { is: 'scale', steps: 5, least: '', most: '' } },
  number: { name: 'a number', asks: { is: 'number', unit: '' } },
  words: { name: 'words', asks: { is: 'words' } },
  text: { name: 'a short text', asks: { is: 'text' } },
}

function wayOf(asks: Asks): string {
  if (asks.is !== 'choice') return asks.is
  return asks.answers.join('/') === 'Yes/No' ? 'yes-no' : 'own'
}

interface ReadyQuestionsProps {
  ready: ReadyQuestion[]
  onChange: (ready: ReadyQuestion[]) => void
}

/** Questions that are ready to be asked by one press. */
export function ReadyQuestions({ ready, onChange }: ReadyQuestionsProps) {
  const change = (index: number, changed: Partial<ReadyQuestion>) =>
    onChange(ready.map((one, at) => (at === index ? { ...one, ...changed } : one)))
  return (
    <Stack gap="6px" mt="10px" as="ul" listStyleType="none" aria-label="Ready questions">
      {ready.map((question, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: ready questions have nothing but their place.
        <Flex as="li" key={index} gap="6px" align="center" wrap="wrap">
          <span>Ask</span>
          <Text
            label="What is asked"
            value={question.text}
            most={LONGEST_QUESTION}
            needed
            onKeep={text => change(index, { text })}
          />
          <Pick
            label="How it is answered"
            value={wayOf(question.asks)}
            onPick={way => change(index, { asks: WAYS[way]?.asks ?? question.asks })}
          >
            {Object.entries(WAYS).map(([way, { name }]) => (
              <option key={way} value={way}>
                {name}
              </option>
            ))}
          </Pick>
          {question.asks.is === 'choice' && wayOf(question.asks) === 'own' && (
            <OwnAnswers
              answers={question.asks.answers}
              onKeep={answers => change(index, { asks: { is: 'choice', answers } })}
            />
          )}
          <Button
            size="small"
            kind="bare"
            aria-label={`Do not ask “${question.text}”`}
            onClick={() => onChange(ready.filter((_, at) => at !== index))}
          >
            <Trash2 size={16} aria-hidden="true" />
          </Button>
        </Flex>
      ))}
      {ready.length < MOST_READY && (
        <li>
          <Button
            size="small"
            onClick={() => {
              const question = { text: 'What was new to you?', asks: { is: 'words' as const } }
              onChange([...ready, question])
            }}
          >
            <Plus size={16} aria-hidden="true" /> Ready question
          </Button>
        </li>
      )}
    </Stack>
  )
}

/** Answers with a slash between them; fewer than two, more than six or two alike are not kept. */
function OwnAnswers({
  answers,
  onKeep,
}: {
  answers: readonly string[]
  onKeep: (answers: string[]) => void
}) {
  const [wrong, setWrong] = useState(false)
  const keep = (typed: string) => {
    const all = typed
      .split('/')
      .map(answer => answer.trim().slice(0, LONGEST_ANSWER))
      .filter(answer => answer !== '')
    const different = new Set(all.map(answer => answer.toLowerCase())).size
    const fits = all.length >= 2 && all.length <= MOST_ANSWERS && different === all.length
    setWrong(!fits)
    if (fits) onKeep(all)
  }
  return (
    <>
      <Text label="Its answers, with / between them" value={answers.join(' / ')} most={400} onKeep={keep} />
      {wrong && <span role="alert">Write two to {MOST_ANSWERS} different answers, with / between them.</span>}
    </>
  )
}
