import { chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import { ButtonLink } from '../../ui/button'
import { Empty, PageHead, Row, Rows, Tag } from '../../ui/layout'

interface SessionsPageProps {
  sessions: {
    id: string
    title: string
    cohortName: string
    phase: 'planned' | 'open' | 'ended'
    when: string
  }[]
}

const WHERE = { planned: '', open: '/live', ended: '/review' }

export function SessionsPage({ sessions }: SessionsPageProps) {
  return (
    <>
      <PageHead title="Sessions" under="Each is one dated event: planned, then run, then reviewed.">
        <ButtonLink kind="main" to="/sessions/new">
          Plan a session
        </ButtonLink>
      </PageHead>
      {sessions.length === 0 ? (
        <Empty>No session yet. Plan one: it takes a grouping, a board and a date.</Empty>
      ) : (
        <Rows label="Sessions">
          {sessions.map(session => (
            <Row key={session.id}>
              <chakra.span w="130px" color="quiet" fontVariantNumeric="tabular-nums">
                {session.when}
              </chakra.span>
              <Link to={`/sessions/${session.id}${WHERE[session.phase]}`}>{session.title}</Link>
              <chakra.span color="quiet">{session.cohortName}</chakra.span>
              <Tag kind={session.phase === 'open' ? 'live' : 'plain'}>
                {session.phase === 'open' ? 'running' : session.phase}
              </Tag>
            </Row>
          ))}
        </Rows>
      )}
    </>
  )
}
