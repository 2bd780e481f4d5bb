import { Box, chakra, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useFetcher, useRevalidator } from 'react-router'
import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'
import { isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { NamePicker } from '../../ui/name-picker'
import { useWholeList } from '../../ui/use-whole-list'
import { WishFields } from './wish-fields'

interface Names {
  code: string
  /** The first of those that can be taken, and how many there are. */
  names: { personId: string; shownName: string }[]
  count: number
}

export type ChoosePageProps = { title: string; problem?: string | null } & (
  | { step: 'closed'; mine: string[]; topics: ChoiceTopic[] }
  | ({ step: 'name' } & Names)
  | {
      step: 'choose'
      code: string
      kind: AskedKind
      most: number
      topics: (ChoiceTopic & { left: number | null })[]
      shownName: string
      wishes: string[]
    }
)

/** A choice as a participant sees it on a phone: one's name, then the topics. */
export function ChoosePage(props: ChoosePageProps) {
  return (
    <Box as="main" maxW="460px" mx="auto" px="16px" py="32px">
      <Stack gap="16px">
        <chakra.h1 fontSize="xl">{props.title}</chakra.h1>
        {props.step === 'closed' && <Closed mine={props.mine} topics={props.topics} />}
        {props.step === 'name' && <NameStep {...props} problem={props.problem ?? null} />}
        {props.step === 'choose' &&
          (props.kind === 'wishes' ? <Wishes {...props} /> : <OneTopic {...props} />)}
      </Stack>
    </Box>
  )
}

function Closed({ mine, topics }: { mine: string[]; topics: ChoiceTopic[] }) {
  const names = mine.map(id => topics.find(topic => topic.id === id)?.name ?? '')
  return (
    <Message>
      The choice is closed.{' '}
      {names.length > 0
        ? `You chose ${names.join(', then ')}.`
        : 'Your facilitator places whoever did not choose.'}
    </Message>
  )
}

/** So many names are shown at once; typing finds the others. */
const MOST_SHOWN = 40

function NameStep({ code, names: first, count, problem }: Names & { problem: string | null }) {
  const [typed, setTyped] = useState('')
  const { items: names, state } = useWholeList(`/choose/${code}/names`, first, count)
  const found = names.filter(name => isFoundBy(typed, name.shownName))
  return (
    <>
      <NamePicker
        names={found.slice(0, MOST_SHOWN)}
        typed={typed}
        onType={setTyped}
        problem={problem}
        intent="name"
      />
      {state === 'coming' && <Message>The names are coming…</Message>}
      {state === 'broken' && (
        <Message kind="problem">Not all names could be had: reload the page to try again.</Message>
      )}
      {found.length > MOST_SHOWN && (
        <chakra.p color="quiet">{found.length - MOST_SHOWN} more: type the start of your name.</chakra.p>
      )}
      {found.length === 0 && state === 'whole' && (
        <Message>Nobody of that name is left: ask your facilitator.</Message>
      )}
    </>
  )
}

type ChooseStep = Extract<ChoosePageProps, { step: 'choose' }>
const LOOK_AGAIN_MS = 4_000

/** The topics with the places they have left now; when the choice is closed meanwhile, the page says so. */
function useTopicsNow({ code, topics }: Pick<ChooseStep, 'code' | 'topics'>): ChooseStep['topics'] {
  const { load, data } = useFetcher<{ phase: 'open' | 'closed'; left: [string, number][] }>()
  const { revalidate } = useRevalidator()
  useEffect(() => {
    const look = () => document.visibilityState === 'visible' && load(`/choose/${code}/places`)
    const timer = setInterval(look, LOOK_AGAIN_MS)
    return () => clearInterval(timer)
  }, [code, load])
  useEffect(() => {
    if (data?.phase === 'closed') revalidate()
  }, [data, revalidate])
  if (!data) return topics
  const left = new Map(data.left)
  return topics.map(topic => ({
    ...topic,
    left: topic.left === null ? null : (left.get(topic.id) ?? topic.left),
  }))
}

function OneTopic({ kind, code, topics: first, shownName, wishes }: ChooseStep) {
  const fetcher = useFetcher<{ problem?: string | null }>()
  const topics = useTopicsNow({ code, topics: first })
  const problem = fetcher.data?.problem
  return (
    <>
      <p>
        {shownName}, {kind === 'question' ? 'choose your answer' : 'take a place'}. You can change your mind
        while the choice is open.
      </p>
      {problem && <Message kind="problem">{problem}</Message>}
      <Stack as="ul" gap="8px" listStyleType="none" aria-label="Topics">
        {topics.map(topic => {
          const mine = wishes[0] === topic.id
          return (
            <li key={topic.id}>
              <Button
                w="full"
                size="large"
                justifyContent="space-between"
                whiteSpace="normal"
                kind={mine ? 'main' : 'plain'}
                aria-pressed={mine}
                disabled={fetcher.state !== 'idle' || (!mine && topic.left === 0)}
                onClick={() => submitWishes(fetcher, mine ? [] : [topic.id])}
              >
                <span>{topic.name}</span>
                <span>{mine ? 'yours' : leftText(topic.left)}</span>
              </Button>
            </li>
          )
        })}
      </Stack>
    </>
  )
}

function leftText(left: number | null): string {
  if (left === null) return ''
  return left === 1 ? '1 place left' : `${left} places left`
}

function Wishes({ topics, most, shownName, wishes }: ChooseStep) {
  const fetcher = useFetcher<{ problem?: string | null }>()
  const [ranked, setRanked] = useState(wishes)
  const saved = ranked.join() === wishes.join()
  const problem = fetcher.data?.problem
  return (
    <>
      <p>
        {shownName}, say what you would like best, then what next. The wishes are shared out together: being
        early or late makes no difference.
      </p>
      {problem && <Message kind="problem">{problem}</Message>}
      <Stack gap="12px">
        <WishFields topics={topics} most={most} wishes={ranked} onChange={setRanked} />
      </Stack>
      <chakra.p color="quiet" fontSize="s">
        {topics.map(({ name, min, max }) => `${name}: ${min} to ${max} people`).join('; ')}
      </chakra.p>
      <Button
        kind="main"
        size="large"
        disabled={fetcher.state !== 'idle' || (saved && ranked.length > 0)}
        onClick={() => submitWishes(fetcher, ranked)}
      >
        Send my wishes
      </Button>
      <chakra.p role="status" color="live" fontWeight="600">
        {saved && ranked.length > 0 ? 'Your wishes are in.' : ''}
      </chakra.p>
    </>
  )
}

function submitWishes(fetcher: ReturnType<typeof useFetcher>, wishes: string[]): void {
  fetcher.submit({ intent: 'choose', wishes: JSON.stringify(wishes) }, { method: 'post' })
}
