import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { DoorOpen, Drama, Play } from 'lucide-react'
import { Form, Link, useFetcher } from 'react-router'
import { usualScript } from '~/core/rehearsal/script'
import { Button, ButtonLink } from '../../ui/button'
import { Empty, Message, PageHead, Row, Rows, Section, Tag } from '../../ui/layout'

export interface TodaySession {
  id: string
  title: string
  /** Null for a session that belongs to no cohort. */
  cohortName: string | null
  when: string
  startsAt: number
  phase: 'planned' | 'open' | 'ended'
  reviewed: boolean
}

/** What is next and what is unfinished, with the one button to press. */
export function TodayPage({ sessions, hasCohorts }: { sessions: TodaySession[]; hasCohorts: boolean }) {
  const running = sessions.filter(session => session.phase === 'open')
  const planned = sessions
    .filter(session => session.phase === 'planned')
    .sort((one, other) => one.startsAt - other.startsAt)
  const toReview = sessions.filter(session => session.phase === 'ended' && !session.reviewed)
  const [next, ...later] = [...running, ...planned]
  return (
    <>
      <PageHead title="Today">
        <StartNow isMain={next === undefined && hasCohorts === false} />
      </PageHead>
      {next ? <Next session={next} /> : <FirstThing hasCohorts={hasCohorts} />}
      {toReview.length > 0 && (
        <Section title="Waiting for review">
          <Rows label="Sessions waiting for review">
            {toReview.map(session => (
              <Row key={session.id}>
                <SessionLine session={session} to={`/sessions/${session.id}/review`} />
                <ButtonLink to={`/sessions/${session.id}/review`}>Review</ButtonLink>
              </Row>
            ))}
          </Rows>
        </Section>
      )}
      {later.length > 0 && (
        <Section title="After that">
          <Rows label="Sessions after that">
            {later.map(session => (
              <Row key={session.id}>
                <SessionLine session={session} to={`/sessions/${session.id}`} />
              </Row>
            ))}
          </Rows>
        </Section>
      )}
    </>
  )
}

/** Opens a session, or office hours, with nothing prepared. The browser says by which clock it is called. */
function StartNow({ isMain }: { isMain: boolean }) {
  return (
    <Form
      method="post"
      action="/sessions/start"
      onSubmit={event => {
        const zone = event.currentTarget.elements.namedItem('timeZone') as HTMLInputElement
        zone.value = Intl.DateTimeFormat().resolvedOptions().timeZone
      }}
    >
      <input type="hidden" name="timeZone" defaultValue="UTC" />
      <Flex gap="10px" wrap="wrap">
        <Button type="submit" name="kind" value="office" size="large">
          <DoorOpen size={18} aria-hidden="true" /> Office hours
        </Button>
        <Button type="submit" name="kind" value="session" size="large" kind={isMain ? 'main' : 'plain'}>
          <Play size={18} aria-hidden="true" /> Start now
        </Button>
      </Flex>
    </Form>
  )
}

const whenAndWho = ({ when, cohortName }: TodaySession) =>
  [when, cohortName].filter(part => part !== null).join(' · ')

function Next({ session }: { session: TodaySession }) {
  const open = session.phase === 'open'
  return (
    <Box
      bg={open ? 'liveWash' : 'panel'}
      borderWidth="1px"
      borderLeftWidth="6px"
      borderColor={open ? 'live' : 'edge'}
      borderRadius="8px"
      p="22px"
      mb="28px"
    >
      <Flex justify="space-between" align="center" gap="16px" wrap="wrap">
        <Stack gap="2px">
          <chakra.div fontWeight="600" color={open ? 'live' : 'quiet'}>
            {open ? 'Running now' : 'Next'}
          </chakra.div>
          <chakra.h2 fontSize="xl">{session.title}</chakra.h2>
          <chakra.div color="quiet">{whenAndWho(session)}</chakra.div>
        </Stack>
        <Flex gap="10px" wrap="wrap">
          {!open && <TryIt sessionId={session.id} />}
          <ButtonLink
            kind="main"
            size="large"
            to={open ? `/sessions/${session.id}/live` : `/sessions/${session.id}`}
          >
            {open ? 'Back to the session' : 'Look it over and open'}
          </ButtonLink>
        </Flex>
      </Flex>
    </Box>
  )
}

/** A class at work within a minute: many come, and it all goes on by itself, with nothing kept. */
const AT_ONCE = { ...usualScript(0), itself: true, short: true }

function TryIt({ sessionId }: { sessionId: string }) {
  const begin = useFetcher<{ problem?: string }>()
  return (
    <begin.Form method="post" action={`/sessions/${sessionId}/rehearse`}>
      {Object.entries(AT_ONCE).map(([name, value]) =>
        value === false ? null : (
          <input key={name} type="hidden" name={name} value={value === true ? 'on' : value} />
        ),
      )}
      <Button type="submit" size="large" disabled={begin.state !== 'idle'}>
        <Drama size={18} aria-hidden="true" /> Try it with a simulated class
      </Button>
      {begin.data?.problem && <Message kind="problem">{begin.data.problem}</Message>}
    </begin.Form>
  )
}

function FirstThing({ hasCohorts }: { hasCohorts: boolean }) {
  return (
    <Box mb="28px">
      <Empty>
        <chakra.p mb="12px">
          {hasCohorts
            ? 'No session is planned. Choose a grouping and a board, and say when.'
            : 'With nothing prepared, start now: people join by a code. To prepare, begin with the people: make a cohort and put its list in. Groups, boards and sessions come from there.'}
        </chakra.p>
        {hasCohorts ? (
          <ButtonLink kind="main" to="/sessions/new">
            Plan a session
          </ButtonLink>
        ) : (
          <ButtonLink kind="main" to="/cohorts">
            Make a cohort
          </ButtonLink>
        )}
      </Empty>
    </Box>
  )
}

function SessionLine({ session, to }: { session: TodaySession; to: string }) {
  return (
    <Flex gap="12px" flex="1" wrap="wrap" align="baseline">
      <Link to={to}>{session.title}</Link>
      <chakra.span color="quiet">{whenAndWho(session)}</chakra.span>
      {session.phase === 'open' && <Tag kind="live">running</Tag>}
    </Flex>
  )
}
