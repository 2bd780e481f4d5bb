import { chakra, Flex } from '@chakra-ui/react'
import { FileDown, FileUp, Grid3x3, Shuffle } from 'lucide-react'
import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import type { PastImport } from '~/contracts/imports'
import type { Column } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'
import { isFoundBy } from '~/core/people/shown-name'
import { RemoveButton, RemovedFold } from '../../removals/remove-button'
import { Button, ButtonLink } from '../../ui/button'
import { FilteredRows } from '../../ui/filtered-rows'
import { Empty, Message, PageHead, Row, Section } from '../../ui/layout'
import { moveByArrows } from '../../ui/list-keys'
import { ListOnItsWay } from '../../ui/list-on-its-way'
import { useWholeList } from '../../ui/use-whole-list'
import { ColumnsSection } from './columns-section'
import { ImportedMessage } from './import-page'
import { PeopleTable } from './people-table'
import { formWith, type Person } from './person'
import { AddPerson, RenameCohort } from './person-form'
import { PresenceBar, usePresentToday } from './present-today'

interface CohortPageProps {
  /** `people` are the first of `count`. */
  cohort: {
    id: string
    name: string
    people: Person[]
    count: number
    columns: Column[]
    presence: Presence | null
  }
  running: { id: string; title: string }[]
  imported: PastImport | null
  groupings: { id: string; name: string; sizes: number[] }[]
  choices: { id: string; title: string; phase: 'open' | 'closed' }[]
}

export function CohortPage({ cohort, groupings, choices, running, imported }: CohortPageProps) {
  const [removed, setRemoved] = useState<{ ids: string[]; words: string } | null>(null)
  const [renaming, setRenaming] = useState(false)
  const { columns, count } = cohort
  const list = useWholeList<Person>(`/cohorts/${cohort.id}/people`, cohort.people, count)
  const people = list.items
  const present = usePresentToday(people, cohort.presence)
  return (
    <>
      <PageHead
        title={renaming ? <RenameCohort name={cohort.name} onDone={() => setRenaming(false)} /> : cohort.name}
        under={count === 1 ? '1 person on the list' : `${count} people on the list`}
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
      <GroupingsSection groupings={groupings} />
      <Section title="People">
        {people.length === 0 ? (
          <Empty>
            Nobody is on this list yet. Add people one by one below, or import a list from a file.
          </Empty>
        ) : (
          <>
            <ListOnItsWay list={list} count={count} />
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
        <AddPerson columns={columns} />
      </Section>
      <ColumnsSection columns={columns} />
      <Section
        title="Choices and questions"
        aside={
          people.length > 1 && (
            <ButtonLink size="small" to={`/cohorts/${cohort.id}/choices/new`}>
              Open a choice
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
          <FilteredRows
            label="Choices and questions"
            items={choices}
            words={({ title }) => [title]}
            isFoundBy={isFoundBy}
          >
            {choice => (
              <Row key={choice.id}>
                <Link to={`/choices/${choice.id}`}>{choice.title}</Link>
                <chakra.span color="quiet">{choice.phase}</chakra.span>
              </Row>
            )}
          </FilteredRows>
        )}
      </Section>
    </>
  )
}

/** So many groupings are in sight before all are asked for. */
const FEW = 6

/** The groupings kept of this cohort, the latest first, above its people: they are what one comes back for. */
function GroupingsSection({ groupings }: Pick<CohortPageProps, 'groupings'>) {
  const [all, setAll] = useState(false)
  const more = (
    <Button size="small" kind="bare" aria-expanded={all} onClick={() => setAll(!all)}>
      {all ? 'Only the latest' : groupings.length > FEW ? `All ${groupings.length}` : 'As a list'}
    </Button>
  )
  return (
    <Section title="Groupings" aside={more}>
      {all ? (
        <>
          <FilteredRows
            label="Groupings"
            items={groupings}
            words={({ name }) => [name]}
            isFoundBy={isFoundBy}
          >
            {({ id, name, sizes }) => (
              <Row key={id}>
                <Link to={`/groupings/${id}`}>{name}</Link>
                <chakra.span color="quiet">{sizesText(sizes)}</chakra.span>
                <RemoveButton kind="grouping" id={id} name={name} />
              </Row>
            )}
          </FilteredRows>
          <RemovedFold kind="grouping" listed={groupings.length} />
        </>
      ) : (
        <Flex
          as="ul"
          aria-label="Groupings"
          listStyleType="none"
          wrap="wrap"
          gap="8px"
          onKeyDown={moveByArrows}
        >
          {groupings.length === 0 && <chakra.li color="quiet">None yet.</chakra.li>}
          {groupings.slice(0, FEW).map(({ id, name, sizes }) => (
            <li key={id}>
              <ButtonLink size="small" to={`/groupings/${id}`}>
                {name}{' '}
                <chakra.span color="quiet" fontWeight="400">
                  {sizesText(sizes)}
                </chakra.span>
              </ButtonLink>
            </li>
          ))}
        </Flex>
      )}
    </Section>
  )
}

const sizesText = (sizes: number[]) => `${sizes.length} groups of ${[...new Set(sizes)].join(' or ')}`

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
              undo.submit(formWith('restore', removed.ids), { method: 'post', action: 'people' }).then(onDone)
            }}
          >
            Undo
          </Button>
        </Flex>
      </Message>
    </chakra.div>
  )
}
