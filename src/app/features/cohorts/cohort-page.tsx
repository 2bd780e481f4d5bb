import { chakra, Flex } from '@chakra-ui/react'
import { FileUp, Shuffle } from 'lucide-react'
import { useState } from 'react'
import { Link, useFetcher, useSearchParams } from 'react-router'
import { Button, ButtonLink } from '../../ui/button'
import { Empty, Message, PageHead, Row, Rows, Section } from '../../ui/layout'
import { PeopleTable } from './people-table'
import { formWith, type Person } from './person'
import { AddPerson, RenameCohort } from './person-form'

interface CohortPageProps {
  cohort: { id: string; name: string; people: Person[] }
  groupings: { id: string; name: string; sizes: number[] }[]
}

export function CohortPage({ cohort, groupings }: CohortPageProps) {
  const [removed, setRemoved] = useState<{ ids: string[]; words: string } | null>(null)
  const [renaming, setRenaming] = useState(false)
  const { people } = cohort
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
        <ButtonLink kind="main" to={`/cohorts/${cohort.id}/groupings/new`}>
          <Shuffle size={18} aria-hidden="true" /> Make groups
        </ButtonLink>
      </PageHead>
      <ImportedMessage />
      {removed && (
        <RemovedMessage key={removed.ids.join()} removed={removed} onDone={() => setRemoved(null)} />
      )}
      <Section title="People">
        {people.length === 0 ? (
          <Empty>
            Nobody is on this list yet. Add people one by one below, or import a list from a file.
          </Empty>
        ) : (
          <PeopleTable people={people} onRemoved={(ids, words) => setRemoved({ ids, words })} />
        )}
      </Section>
      <Section title="Add somebody">
        <AddPerson key={people.length} />
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

/** After an import the address says who was added, so that the whole of it can be taken back. */
function ImportedMessage() {
  const [search, setSearch] = useSearchParams()
  const fetcher = useFetcher()
  const count = Number(search.get('imported'))
  const key = search.get('batch')
  if (!count || !key) return null
  const ids = readBatch(key)
  return (
    <chakra.div mb="16px">
      <Message kind="good">
        <Flex gap="12px" align="center" wrap="wrap">
          <span>
            {count === 1 ? '1 person was added to the list.' : `${count} people were added to the list.`}
          </span>
          {ids.length > 0 && (
            <Button
              size="small"
              onClick={() => {
                fetcher
                  .submit(formWith('remove', ids), { method: 'post' })
                  .then(() => setSearch({}, { replace: true }))
              }}
            >
              Take the import back
            </Button>
          )}
        </Flex>
      </Message>
    </chakra.div>
  )
}

function readBatch(key: string): string[] {
  if (typeof sessionStorage === 'undefined') return []
  return (sessionStorage.getItem(`import:${key}`) ?? '').split(',').filter(Boolean)
}
