import { chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import { isFoundBy } from '~/core/people/shown-name'
import { RemoveButton, RemovedFold } from '../../removals/remove-button'
import { ButtonLink } from '../../ui/button'
import { FilteredRows } from '../../ui/filtered-rows'
import { Empty, PageHead, Row, Tag } from '../../ui/layout'
import { FindSessions, useFound } from './find-sessions'

interface SessionsPageProps {
  sessions: {
    id: string
    title: string
    /** Null for a session that belongs to no cohort. */
    cohortName: string | null
    phase: 'planned' | 'open' | 'ended'
    when: string
    day: string
  }[]
}

const WHERE = { planned: '', open: '/live', ended: '/review' }

export function SessionsPage({ sessions }: SessionsPageProps) {
  const found = useFound(sessions)
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
        <>
          <FindSessions sessions={sessions} />
          {found.length === 0 && <Empty>No session is of these days and this cohort.</Empty>}
          {found.length > 0 && (
            <FilteredRows
              label="Sessions"
              items={found}
              words={({ title, cohortName, when }) => [title, cohortName ?? '', when]}
              isFoundBy={isFoundBy}
            >
              {session => (
                <Row key={session.id}>
                  <chakra.span w="130px" color="quiet" fontVariantNumeric="tabular-nums">
                    {session.when}
                  </chakra.span>
                  <Link to={`/sessions/${session.id}${WHERE[session.phase]}`}>{session.title}</Link>
                  <chakra.span color="quiet">{session.cohortName}</chakra.span>
                  <Tag kind={session.phase === 'open' ? 'live' : 'plain'}>
                    {session.phase === 'open' ? 'running' : session.phase}
                  </Tag>
                  {session.phase !== 'open' && (
                    <RemoveButton kind="session" id={session.id} name={session.title} />
                  )}
                </Row>
              )}
            </FilteredRows>
          )}
        </>
      )}
      <RemovedFold kind="session" listed={sessions.length} />
    </>
  )
}
