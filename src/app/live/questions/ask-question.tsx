import { Box, Flex, Stack } from '@chakra-ui/react'
import { MessageCircleQuestion } from 'lucide-react'
import { useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import { FEWEST_ANSWERS, LONGEST_QUESTION, MOST_ANSWERS } from '~/core/live/questions/questions'
import { Button } from '../../ui/button'
import { Field, Input, TextArea } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { useKeptText } from '../../ui/use-kept'
import type { Send } from '../live-view'
import { answerLines } from './question-words'

/** What one press asks; answers without words are lettered. */
const READY = [
  { name: 'Yes, no', answers: ['Yes', 'No'] },
  { name: 'A, B', answers: ['', ''] },
  { name: 'A, B, C', answers: ['', '', ''] },
  { name: 'A to D', answers: ['', '', '', ''] },
]

/** A question for everybody, with or without typing it; what was typed stays until it was asked. */
export function AskQuestion({ sessionId, send }: { sessionId: string; send: Send }) {
  const [open, setOpen] = useState(false)
  const [text, setText] = useKeptText(`question-${sessionId}`)
  const [own, setOwn] = useKeptText(`question-answers-${sessionId}`)
  const [problem, setProblem] = useState<string | null>(null)
  const opener = useRef<HTMLButtonElement>(null)
  const close = () => {
    flushSync(() => {
      setOpen(false)
      setProblem(null)
    })
    opener.current?.focus()
  }
  const ask = async (answers: readonly string[]) => {
    setProblem(null)
    if (!(await send({ type: 'ask-question', text, answers: [...answers] }, setProblem))) return
    setText('')
    setOwn('')
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
      <Field label="Question" hint="Leave it empty when you say it aloud. You will see who answered what.">
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
      <Flex gap="8px" align="center" wrap="wrap">
        <span>Ask with</span>
        {READY.map(({ name, answers }) => (
          <Button key={name} onClick={() => ask(answers)}>
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
        <Button onClick={close}>Not now</Button>
      </Flex>
      {problem && <Message kind="problem">{problem}</Message>}
    </Stack>
  )
}
