import { Box, Flex, Stack } from '@chakra-ui/react'
import { MessageCircleQuestion } from 'lucide-react'
import { memo, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import {
  type Asks,
  FEWEST_ANSWERS,
  FEWEST_STEPS,
  LONGEST_END,
  LONGEST_QUESTION,
  LONGEST_UNIT,
  MOST_ANSWERS,
  MOST_STEPS,
} from '~/core/live/questions/question'
import { Button } from '../../ui/button'
import { Field, Input, Select, TextArea, Tick } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { useKeptText } from '../../ui/use-kept'
import type { LiveView, Send } from '../live-view'
import { answerLines } from './question-words'

type OtherAsks = Exclude<Asks, { is: 'choice' }>

/** What one press asks; answers without words are lettered. */
const READY: readonly { name: string; answers: string[]; asks?: OtherAsks }[] = [
  { name: 'Yes, no', answers: ['Yes', 'No'] },
  { name: 'A, B', answers: ['', ''] },
  { name: 'A, B, C', answers: ['', '', ''] },
  { name: 'A to D', answers: ['', '', '', ''] },
  { name: '1 to 5', answers: [], asks: { is: 'scale', steps: 5, least: '', most: '' } },
  { name: 'Words', answers: [], asks: { is: 'words' } },
  { name: 'Short text', answers: [], asks: { is: 'text' } },
]

const LIMITS = [30, 60, 120, 180, 300]

interface AskQuestionProps {
  sessionId: string
  view: Pick<LiveView, 'questions' | 'questionNow' | 'questionsReady'>
  send: Send
}

/** A question for everybody, with or without typing it; what was typed stays until it was asked. */
export const AskQuestion = memo(function AskQuestion({ sessionId, view, send }: AskQuestionProps) {
  const asked = new Set(view.questions.map(question => question.text))
  const ready = view.questionsReady.filter(question => !asked.has(question.text))
  const [open, setOpen] = useState(false)
  const [text, setText] = useKeptText(`question-${sessionId}`)
  const [own, setOwn] = useKeptText(`question-answers-${sessionId}`)
  const [byRoom, setByRoom] = useState(false)
  const [anonymous, setAnonymous] = useState(false)
  const [seconds, setSeconds] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const opener = useRef<HTMLButtonElement>(null)
  const close = () => {
    flushSync(() => {
      setOpen(false)
      setProblem(null)
    })
    opener.current?.focus()
  }
  const ask = async (answers: readonly string[], asks?: OtherAsks, planned?: string) => {
    setProblem(null)
    const wasAsked = await send(
      {
        type: 'ask-question',
        text: planned ?? text,
        answers: [...answers],
        ...(asks && { asks }),
        ...(byRoom && { by: 'room' as const }),
        ...(anonymous && { anonymous }),
        ...(seconds !== '' && { seconds: Number(seconds) }),
        over: view.questionNow?.results.isOpen ? view.questionNow.results.id : null,
      },
      setProblem,
    )
    if (!wasAsked) return
    if (planned === undefined) {
      setText('')
      setOwn('')
    }
    setByRoom(false)
    setAnonymous(false)
    setSeconds('')
    close()
  }
  if (!open)
    return (
      <Button ref={opener} size="small" onClick={() => setOpen(true)}>
        <MessageCircleQuestion size={18} aria-hidden="true" /> Ask a question
      </Button>
    )
  return (
    <Stack
      as="section"
      aria-label="Ask a question"
      gap="10px"
      w="full"
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
      onKeyDown={event => event.key === 'Escape' && close()}
    >
      <Field
        label="Question"
        hint={`Leave it empty when you say it aloud. ${anonymous ? 'Nobody will see who answered what.' : 'You will see who answered what.'}`}
      >
        {parts => (
          <Input
            {...parts}
            autoFocus
            value={text}
            maxLength={LONGEST_QUESTION}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      <Flex gap="6px 16px" align="center" wrap="wrap">
        <Tick
          checked={anonymous}
          onChange={event => {
            setAnonymous(event.target.checked)
            if (event.target.checked) setByRoom(false)
          }}
        >
          Without names
        </Tick>
        <Tick
          checked={byRoom}
          onChange={event => {
            setByRoom(event.target.checked)
            if (event.target.checked) setAnonymous(false)
          }}
        >
          One answer a room
        </Tick>
        <Field label="Time to answer" hideLabel>
          {parts => (
            <Select {...parts} value={seconds} onChange={event => setSeconds(event.target.value)}>
              <option value="">until it is closed</option>
              {LIMITS.map(limit => (
                <option key={limit} value={limit}>
                  {limit < 60 ? `${limit} seconds` : limit === 60 ? '1 minute' : `${limit / 60} minutes`}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Flex>
      {ready.length > 0 && (
        <Flex
          as="ul"
          listStyleType="none"
          gap="8px"
          align="center"
          wrap="wrap"
          aria-label="Questions of the plan"
        >
          {ready.map(({ text: planned, asks }) => (
            <li key={planned}>
              <Button
                kind="main"
                whiteSpace="normal"
                textAlign="left"
                onClick={() =>
                  asks.is === 'choice' ? ask(asks.answers, undefined, planned) : ask([], asks, planned)
                }
              >
                {planned}
              </Button>
            </li>
          ))}
        </Flex>
      )}
      <Flex gap="8px" align="center" wrap="wrap">
        <span>Ask with</span>
        {READY.map(({ name, answers, asks }) => (
          <Button key={name} onClick={() => ask(answers, asks)}>
            {name}
          </Button>
        ))}
      </Flex>
      <Flex gap="8px" align="flex-end" wrap="wrap">
        <Box flex="1" minW="220px">
          <Field label={`Or your own answers, one on each line (${FEWEST_ANSWERS} to ${MOST_ANSWERS})`}>
            {parts => (
              <TextArea
                {...parts}
                rows={2}
                value={own}
                maxLength={1_000}
                onChange={event => setOwn(event.target.value)}
              />
            )}
          </Field>
        </Box>
        <Button kind="main" onClick={() => ask(answerLines(own))}>
          Ask with these
        </Button>
      </Flex>
      <Flex gap="8px 20px" align="flex-end" wrap="wrap">
        <OwnScale onAsk={asks => ask([], asks)} />
        <OwnNumber onAsk={asks => ask([], asks)} />
        <Button onClick={close}>Not now</Button>
      </Flex>
      {problem && <Message kind="problem">{problem}</Message>}
    </Stack>
  )
})

/** A scale with so many steps and names for its ends. */
function OwnScale({ onAsk }: { onAsk: (asks: OtherAsks) => void }) {
  const [steps, setSteps] = useState('5')
  const [least, setLeast] = useState('')
  const [most, setMost] = useState('')
  return (
    <Flex as="fieldset" aria-label="Scale with named ends" gap="8px" align="flex-end" wrap="wrap">
      <Field label="Scale: 1 means">
        {parts => (
          <Input
            {...parts}
            w="120px"
            maxLength={LONGEST_END}
            value={least}
            onChange={event => setLeast(event.target.value)}
          />
        )}
      </Field>
      <Field label="up to">
        {parts => (
          <Select {...parts} w="76px" value={steps} onChange={event => setSteps(event.target.value)}>
            {Array.from({ length: MOST_STEPS - FEWEST_STEPS + 1 }, (_, at) => at + FEWEST_STEPS).map(
              number => (
                <option key={number} value={number}>
                  {number}
                </option>
              ),
            )}
          </Select>
        )}
      </Field>
      <Field label="which means">
        {parts => (
          <Input
            {...parts}
            w="120px"
            maxLength={LONGEST_END}
            value={most}
            onChange={event => setMost(event.target.value)}
          />
        )}
      </Field>
      <Button onClick={() => onAsk({ is: 'scale', steps: Number(steps), least, most })}>
        Ask with this scale
      </Button>
    </Flex>
  )
}

function OwnNumber({ onAsk }: { onAsk: (asks: OtherAsks) => void }) {
  const [unit, setUnit] = useState('')
  return (
    <Flex as="fieldset" aria-label="A number" gap="8px" align="flex-end" wrap="wrap">
      <Field label="Unit, if any">
        {parts => (
          <Input
            {...parts}
            w="90px"
            maxLength={LONGEST_UNIT}
            value={unit}
            onChange={event => setUnit(event.target.value)}
          />
        )}
      </Field>
      <Button onClick={() => onAsk({ is: 'number', unit })}>Ask for a number</Button>
    </Flex>
  )
}
