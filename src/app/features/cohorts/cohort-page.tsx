import { chakra, Flex } from '@chakra-ui/react'
import { FileDown, FileUp, Grid3x3, Shuffle } from 'lucide-react'
import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import type { PastImport } from '~/contracts/imports'
import type { Column } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'
import { Button, ButtonLink } from '../../ui/button'
import { Empty, Message, PageHead, Row, Rows, Section } from '../../ui/layout'
import { ColumnsSection } from './columns-section'
import { ImportedMessage } from './import-page'
import { PeopleTable } from './people-table'
import { formWith, type Person } from './person'
import { AddPerson, RenameCohort } from './person-form'
import { PresenceBar, usePresentToday } from './present-today'

interface CohortPageProps {
  cohort: { id: string; name: string; people: Person[]; columns: Column[]; presence: Presence | null }
  running: { id: string; title: string }[]
  imported: PastImport | null
  groupings: { id: string; name: string; sizes: number[] }[]
  choices: { id: string; title: string; phase: 'open' | 'closed' }[]
}

export function CohortPage({ cohort, groupings, choices, running, imported }: CohortPageProps) {
  const [removed, setRemoved] = useState<{ ids: string[]; words: string } | null>(null)
  const [renaming, setRenaming] = useState(false)
  const { people, columns } = cohort
  const present = usePresentToday(people, cohort.presence)
  return (
    <>
      <PageHead
        title={renaming ? <RenameCohort name={cohort.name} onDone={() => setRenaming(false)} /> : cohort.name}
        under={people.length === 1 ? '1 person on the list' : `${people.length} people on the list`}
      >
        {!renaming && <Button onClick={() => setRenaming(true)}>Rename</Button>}
        <ButtonLink to={`/cohorts/${cohort.id}/import`}>
          <FileUp size={18} aria-hidden="true" /> Import a list
        </ButtonLink>
        {people.length > 0 && (
          <ButtonLink to={`/cohorts/${cohort.id}/list.csv`} reloadDocument download>
            <FileDown size={18} aria-hidden="true" /> Export
          </ButtonLink>
        )}
        {people.length > 1 && (
          <ButtonLink to={`/cohorts/${cohort.id}/met`}>
            <Grid3x3 size={18} aria-hidden="true" /> Who has met whom
          </ButtonLink>
        )}
        <ButtonLink kind="main" to={`/cohorts/${cohort.id}/groupings/new`}>
          <Shuffle size={18} aria-hidden="true" /> Make groups
        </ButtonLink>
      </PageHead>
      {imported && <ImportedMessage cohortId={cohort.id} past={imported} />}
      {removed && (
        <RemovedMessage key={removed.ids.join()} removed={removed} onDone={() => setRemoved(null)} />
      )}
      <Section title="People">
        {people.length === 0 ? (
          <Empty>
            Nobody is on this list yet. Add people one by one below, or import a list from a file.
          </Empty>
        ) : (
          <>
            <PresenceBar people={people} present={present} running={running} />
            <PeopleTable
              people={people}
              columns={columns}
              present={present}
              onRemoved={(ids, words) => setRemoved({ ids, words })}
            />
          </>
        )}
      </Section>
      <Section title="Add somebody">
        <AddPerson key={people.length} columns={columns} />
      </Section>
      <ColumnsSection columns={columns} />
      <Section
        title="Choices and questions"
        aside={
          people.length > 1 && (
            <ButtonLink size="small" to={`/cohorts/${cohort.id}/choices/new`}>
              Let people choose
            </ButtonLink>
          )
        }
      >
        {choices.length === 0 ? (
          <Empty>
            People can choose their topic or room themselves, on their phones, or answer a question that
            groups are then mixed or matched by.
          </Empty>
        ) : (
          <Rows label="Choices and questions">
            {choices.map(choice => (
              <Row key={choice.id}>
                <Link to={`/choices/${choice.id}`}>{choice.title}</Link>
                <chakra.span color="quiet">{choice.phase}</chakra.span>
              </Row>
            ))}
          </Rows>
        )}
      </Section>
      <Section title="Groupings">
        {groupings.length === 0 ? (
          <Empty>No groups have been made of this cohort yet. “Make groups” is at the top of the page.</Empty>
        ) : (
          <Rows label="Groupings">
            {groupings.map(grouping => (
              <Row key={grouping.id}>
                <Link to={`/groupings/${grouping.id}`}>{grouping.name}</Link>
                <chakra.span color="quiet">
                  {grouping.sizes.length} groups of {[...new Set(grouping.sizes)].join(' or ')}
                </chakra.span>
              </Row>
            ))}
          </Rows>
        )}
      </Section>
    </>
  )
}

function RemovedMessage({
  removed,
  onDone,
}: {
  removed: { ids: string[]; words: string }
  onDone: () => void
}) {
  const undo = useFetcher()
  return (
    <chakra.div mb="16px">
      <Message>
        <Flex gap="12px" align="center" wrap="wrap">
          <span>{removed.words}</span>
          <Button
            size="small"
            onClick={() => {
              undo.submit(formWith('restore', removed.ids), { method: 'post' }).then(onDone)
            }}
          >
            Undo
          </Button>
        </Flex>
      </Message>
    </chakra.div>
  )
}
