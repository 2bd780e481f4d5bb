import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { type FormEvent, type ReactNode, useState } from 'react'
import {
  answerText,
  type GivenAnswer,
  LONGEST_TEXT,
  LONGEST_WORD,
  MOST_WORDS,
  placesOf,
  type QuickQuestion,
} from '~/core/live/questions/question'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import { Field, Input, TextArea } from '../../ui/fields'
import type { SendFromPlace } from '../live-view'
import { LeftToAnswer } from './left-to-answer'

interface QuestionAskedProps {
  question: QuickQuestion
  myAnswer: ParticipantView['myAnswer']
  /** The room somebody belongs to; null for none. */
  room: string | null
  pageMadeAt: number
  send: SendFromPlace
}

/** A question everybody is asked: one press answers it, another thinks better of it. */
export default function QuestionAsked({ question, myAnswer, room, pageMadeAt, send }: QuestionAskedProps) {
  const { id, text, asks, by, endsAt } = question
  const give = (answer: GivenAnswer) =>
    send({ type: 'answer-question', questionId: id, answer: answer as number })
  const mine = myAnswer !== null && myAnswer !== 'apart' ? myAnswer.answer : null
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
      {endsAt !== null && <LeftToAnswer endsAt={endsAt} pageMadeAt={pageMadeAt} />}
      {by === 'room' && room === null ? (
        <p>Each room gives one answer, and you are in none.</p>
      ) : myAnswer === 'apart' ? (
        <p role="status">Your answer is in. It is kept apart from your name, so it can not be changed.</p>
      ) : placesOf(asks) ? (
        <Places question={question} mine={mine} onGive={give} />
      ) : (
        <Written key={JSON.stringify(mine)} question={question} mine={mine} onGive={give} />
      )}
      <chakra.p color="quiet" fontSize="s">
        {whoSees(question, room)}
      </chakra.p>
    </Stack>
  )
}

function whoSees({ by, anonymous }: QuickQuestion, room: string | null): string {
  if (anonymous) return 'Nobody sees who answered what, those who lead neither.'
  if (by === 'room' && room !== null)
    return `One answer for ${room}: whatever one of you gives last. Those who lead see it; no other room does.`
  return 'Those who lead see who answered what; nobody else does.'
}

interface GiveProps {
  question: QuickQuestion
  mine: GivenAnswer | null
  onGive: (answer: GivenAnswer) => Promise<boolean>
}

function Places({ question: { asks }, mine, onGive }: GiveProps) {
  const buttons = (placesOf(asks) ?? []).map(({ answer, name }) => (
    <Button
      key={answer}
      kind={mine === answer ? 'main' : 'plain'}
      size="large"
      flexGrow={asks.is === 'scale' ? '1' : undefined}
      px={asks.is === 'scale' ? '8px' : undefined}
      whiteSpace="normal"
      overflowWrap="anywhere"
      aria-pressed={mine === answer}
      onClick={() => onGive(answer)}
    >
      {asks.is === 'scale' ? answer : name}
    </Button>
  ))
  if (asks.is !== 'scale') return buttons
  return (
    <Box role="group" aria-label={`From 1 ${asks.least} to ${asks.steps} ${asks.most}`}>
      <Flex gap="6px" wrap="wrap">
        {buttons}
      </Flex>
      <Flex justify="space-between" gap="12px" fontSize="s" color="quiet" mt="4px">
        <span>{asks.least}</span>
        <span>{asks.most}</span>
      </Flex>
    </Box>
  )
}

/** A number, words or a text: what was given stands there, and can be given anew. */
function Written({ question: { asks }, mine, onGive }: GiveProps) {
  const [again, setAgain] = useState(false)
  if (mine !== null && !again)
    return (
      <Flex gap="10px" align="center" wrap="wrap">
        <p role="status">
          Your answer: <b>{answerText(asks, mine)}</b>
        </p>
        <Button size="small" onClick={() => setAgain(true)}>
          Change it
        </Button>
      </Flex>
    )
  const first = mine === null ? [] : Array.isArray(mine) ? mine : [String(mine)]
  return asks.is === 'words' ? (
    <WordsForm first={first} onGive={onGive} />
  ) : (
    <OneForm isNumber={asks.is === 'number'} unit={unitOf(asks)} first={first[0] ?? ''} onGive={onGive} />
  )
}

const unitOf = (asks: QuickQuestion['asks']): string => (asks.is === 'number' ? asks.unit : '')

interface OneFormProps {
  isNumber: boolean
  unit: string
  first: string
  onGive: GiveProps['onGive']
}

function OneForm({ isNumber, unit, first, onGive }: OneFormProps) {
  const [typed, setTyped] = useState(first)
  const [wrong, setWrong] = useState<string[]>([])
  const label = unit === '' ? 'Your answer' : `Your answer, in ${unit}`
  const submit = () => {
    // Numbers are typed with a point or a comma.
    const number = Number(typed.trim().replace(',', '.'))
    const isNone = typed.trim() === '' || (isNumber && !Number.isFinite(number))
    setWrong(isNone ? [isNumber ? 'Write a number.' : 'Write something.'] : [])
    if (!isNone) onGive(isNumber ? number : typed)
  }
  return (
    <GiveForm onSubmit={submit}>
      <Field label={label} errors={wrong}>
        {parts =>
          isNumber ? (
            <Input
              {...parts}
              inputMode="decimal"
              autoComplete="off"
              maxLength={20}
              value={typed}
              onChange={event => setTyped(event.target.value)}
            />
          ) : (
            <TextArea
              {...parts}
              rows={2}
              maxLength={LONGEST_TEXT}
              value={typed}
              onChange={event => setTyped(event.target.value)}
            />
          )
        }
      </Field>
    </GiveForm>
  )
}

function WordsForm({ first, onGive }: { first: readonly string[]; onGive: GiveProps['onGive'] }) {
  const [typed, setTyped] = useState(Array.from({ length: MOST_WORDS }, (_, at) => first[at] ?? ''))
  const [wrong, setWrong] = useState<string[]>([])
  const submit = () => {
    const words = typed.map(word => word.trim()).filter(word => word !== '')
    setWrong(words.length === 0 ? ['Write a word.'] : [])
    if (words.length > 0) onGive(words)
  }
  return (
    <GiveForm onSubmit={submit}>
      {typed.map((word, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: there are always as many, each in its place.
        <Field key={place} label={`Word ${place + 1}`} errors={place === 0 ? wrong : undefined}>
          {parts => (
            <Input
              {...parts}
              autoComplete="off"
              maxLength={LONGEST_WORD}
              value={word}
              onChange={event => setTyped(typed.with(place, event.target.value))}
            />
          )}
        </Field>
      ))}
    </GiveForm>
  )
}

function GiveForm({ onSubmit, children }: { onSubmit: () => void; children: ReactNode }) {
  return (
    <chakra.form
      display="flex"
      flexDirection="column"
      gap="8px"
      noValidate
      onSubmit={(event: FormEvent) => {
        event.preventDefault()
        onSubmit()
      }}
    >
      {children}
      <Button type="submit" kind="main" alignSelf="flex-start">
        Send
      </Button>
    </chakra.form>
  )
}
