import { Box, chakra, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useFetcher, useRevalidator } from 'react-router'
import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'
import { isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { NamePicker } from '../../ui/name-picker'
import { WishFields } from './wish-fields'

export type ChoosePageProps = { title: string; problem?: string | null } & (
  | { step: 'closed'; mine: string[]; topics: ChoiceTopic[] }
  | { step: 'name'; names: { personId: string; shownName: string }[] }
  | {
      step: 'choose'
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
        {props.step === 'name' && <NameStep names={props.names} problem={props.problem ?? null} />}
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

function NameStep({
  names,
  problem,
}: {
  names: { personId: string; shownName: string }[]
  problem: string | null
}) {
  const [typed, setTyped] = useState('')
  const found = names.filter(name => isFoundBy(typed, name.shownName))
  return (
    <>
      <NamePicker names={found} typed={typed} onType={setTyped} problem={problem} intent="name" />
      {found.length === 0 && <Message>Nobody of that name is left: ask your facilitator.</Message>}
    </>
  )
}

type ChooseStep = Extract<ChoosePageProps, { step: 'choose' }>
const LOOK_AGAIN_MS = 4_000

function OneTopic({ kind, topics, shownName, wishes }: ChooseStep) {
  const fetcher = useFetcher<{ problem?: string | null }>()
  const { revalidate } = useRevalidator()
  useEffect(() => {
    const timer = setInterval(() => document.visibilityState === 'visible' && revalidate(), LOOK_AGAIN_MS)
    return () => clearInterval(timer)
  }, [revalidate])
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
