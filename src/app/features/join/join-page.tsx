import { Box, chakra, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Form, useRevalidator } from 'react-router'
import { isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { NamePicker } from '../../ui/name-picker'
import { WhatIsKept } from '../../ui/what-is-kept'

/** Why a name could not be taken; `taken` when somebody else has it, `asked` once the facilitator was asked for it. */
export interface Refusal {
  typed: string
  problem: string
  taken?: boolean
  asked?: boolean
}

export type JoinPageProps = { refusal?: Refusal } & (
  | { step: 'code'; typed: string; problem: string | null }
  | { step: 'wait'; title: string }
  | { step: 'over'; title: string }
  | { step: 'name'; title: string; code: string; hasList: boolean; names: Name[] | null }
)

/** The way in for participants: a code, then one's name. */
export function JoinPage(props: JoinPageProps) {
  return (
    <Box as="main" maxW="460px" mx="auto" px="16px" py="32px">
      {props.step === 'code' && <CodeStep typed={props.typed} problem={props.problem} />}
      {props.step === 'wait' && <WaitStep title={props.title} />}
      {props.step === 'over' && (
        <Stack gap="12px">
          <chakra.h1 fontSize="xl">{props.title}</chakra.h1>
          <p>
            This session has ended. If you took part, open it on the device you used, or ask the facilitator
            for your own link.
          </p>
        </Stack>
      )}
      {props.step === 'name' && <NameStep {...props} />}
      {(props.step === 'name' || props.step === 'wait') && (
        <Box mt="24px">
          <WhatIsKept />
        </Box>
      )}
    </Box>
  )
}

function CodeStep({ typed, problem }: { typed: string; problem: string | null }) {
  return (
    <Form method="get" action="/join">
      <Stack gap="16px">
        <chakra.h1 fontSize="xl">Join a session</chakra.h1>
        <Field
          label="Join code"
          hint="Eight letters and digits, from your facilitator."
          errors={problem ? [problem] : undefined}
        >
          {parts => (
            <Input
              {...parts}
              name="code"
              defaultValue={typed}
              autoComplete="off"
              autoCapitalize="characters"
              spellCheck={false}
              maxLength={40}
              fontSize="l"
              letterSpacing="0.06em"
              minH="52px"
            />
          )}
        </Field>
        <Button type="submit" kind="main" size="large">
          Go on
        </Button>
      </Stack>
    </Form>
  )
}

const LOOK_AGAIN_MS = 5_000

/** Asks the server again now and then while something is waited for. */
function useLookAgain(waiting: boolean): void {
  const { revalidate } = useRevalidator()
  useEffect(() => {
    if (!waiting) return
    const timer = setInterval(revalidate, LOOK_AGAIN_MS)
    return () => clearInterval(timer)
  }, [revalidate, waiting])
}

function WaitStep({ title }: { title: string }) {
  useLookAgain(true)
  return (
    <Stack gap="12px" role="status">
      <chakra.h1 fontSize="xl">{title}</chakra.h1>
      <p>The session is not open yet. Leave this page open: it goes on by itself as soon as it is.</p>
    </Stack>
  )
}

interface Name {
  personId: string
  shownName: string
}

/** So many names are shown at once; typing finds the others. */
const MOST_SHOWN = 40

/** The names that can still be chosen: those the page came with, or, of a long list, fetched once it stands. */
function useNames(code: string, given: Name[] | null, waiting: boolean): Name[] | null {
  const [fetched, setFetched] = useState<Name[] | null>(null)
  const isLong = given === null
  useEffect(() => {
    if (!isLong) return
    const abort = new AbortController()
    const get = () =>
      fetch(`/join/${code}/names`, { signal: abort.signal })
        .then(response => (response.ok ? response.json() : Promise.reject(response.status)))
        .then(setFetched)
        // Without a line, or too quick, it is asked again: nobody can go on without their name.
        .catch(() => !abort.signal.aborted && setTimeout(get, LOOK_AGAIN_MS))
    get()
    const again = waiting ? setInterval(get, LOOK_AGAIN_MS) : undefined
    return () => {
      abort.abort()
      clearInterval(again)
    }
  }, [code, isLong, waiting])
  return given ?? fetched
}

/** Where there is no list everybody says what they are called. */
function OwnName({ typed, problem }: { typed: string; problem: string | null }) {
  return (
    <Form method="post">
      <Stack gap="16px">
        <Field
          label="Your name"
          hint="As the others here should see it."
          errors={problem ? [problem] : undefined}
        >
          {parts => (
            <Input
              {...parts}
              name="shownName"
              autoComplete="off"
              maxLength={40}
              fontSize="l"
              minH="52px"
              defaultValue={typed}
            />
          )}
        </Field>
        <Button type="submit" kind="main" size="large">
          Join
        </Button>
      </Stack>
    </Form>
  )
}

interface NameStepProps {
  title: string
  code: string
  /** Whether names are expected at all; without a list everybody says their own. */
  hasList: boolean
  /** Null for a long list. */
  names: Name[] | null
  refusal?: Refusal
}

function NameStep({ title, code, hasList, names: given, refusal }: NameStepProps) {
  const names = useNames(code, given, refusal?.asked === true)
  const [typed, setTyped] = useState(refusal?.typed ?? '')
  useLookAgain(refusal?.asked === true)
  const found = (names ?? []).filter(name => isFoundBy(typed, name.shownName))
  return (
    <Stack gap="16px">
      <chakra.h1 fontSize="xl">{title}</chakra.h1>
      {hasList ? (
        <NamePicker
          names={found.slice(0, MOST_SHOWN)}
          typed={typed}
          onType={setTyped}
          problem={refusal?.problem || null}
        />
      ) : (
        <OwnName typed={refusal?.typed ?? ''} problem={refusal?.problem || null} />
      )}
      {refusal?.taken && (
        <Form method="post">
          <input type="hidden" name="intent" value="claim" />
          <input type="hidden" name="shownName" value={refusal.typed} />
          <Button type="submit" kind="ask" size="large" whiteSpace="normal" py="10px">
            That is my name: ask the facilitator to free it
          </Button>
        </Form>
      )}
      {refusal?.asked && (
        <Message kind="good">
          The facilitator has been asked to free {refusal.typed}. Leave this page open: the name appears here
          as soon as it is free.
        </Message>
      )}
      {names === null && <Message>The names are coming…</Message>}
      {found.length > MOST_SHOWN && (
        <chakra.p color="quiet">{found.length - MOST_SHOWN} more: type the start of your name.</chakra.p>
      )}
      {found.length === 0 && names !== null && names.length > 0 && (
        <Message>No name that is still free is like that.</Message>
      )}
      {hasList && typed.trim() !== '' && (
        <Form method="post">
          <input type="hidden" name="shownName" value={typed} />
          <Button type="submit" kind="bare" size="large" whiteSpace="normal">
            I am not on the list: join as “{typed.trim()}”
          </Button>
        </Form>
      )}
    </Stack>
  )
}
