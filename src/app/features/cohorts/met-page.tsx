import { chakra, Flex, Grid } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { leastMet, neverMet, type PairMet, whoHasMet } from '~/core/history/met'
import type { PastSession } from '~/core/history/pairs'
import { isFoundBy } from '~/core/people/shown-name'
import { ButtonLink } from '../../ui/button'
import { Field, Input, Select } from '../../ui/fields'
import { Empty, PageHead, Section } from '../../ui/layout'
import { MetMatrix } from './met-matrix'
import { metText } from './met-text'

interface MetPageProps {
  cohort: { id: string; name: string; people: { id: string; shownName: string }[] }
  past: PastSession[]
}

/** Pairs named at either end of the list. */
const MOST_PAIRS = 12
/** People to choose one from; of more, those whose names are typed. */
const MOST_OFFERED = 100

function offered(people: MetPageProps['cohort']['people'], typed: string, personId: string) {
  const found = people.filter(person => person.id !== personId && isFoundBy(typed, person.shownName))
  return [...people.filter(person => person.id === personId), ...found.slice(0, MOST_OFFERED)]
}

/** Who has met whom over all past sessions: a matrix, the pairs at both ends, and one person's own list. */
export function MetPage({ cohort, past }: MetPageProps) {
  const [shows, setShows] = useState<'times' | 'minutes'>('times')
  const [personId, setPersonId] = useState('')
  const [typed, setTyped] = useState('')
  const { people } = cohort
  const { ids, met, pairs, unevenness, least } = useMemo(() => {
    const ids = people.map(person => person.id)
    const found = whoHasMet(ids, past)
    return { ids, ...found, least: leastMet(ids, found.met, MOST_PAIRS) }
  }, [people, past])
  const names = new Map(people.map(person => [person.id, person.shownName]))
  const name = (id: string) => names.get(id) ?? ''
  return (
    <>
      <PageHead title="Who has met whom" under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}>
        <ButtonLink to={`/cohorts/${cohort.id}/groupings/new`}>Make groups</ButtonLink>
      </PageHead>
      {past.length === 0 || people.length < 2 ? (
        <Empty>
          Nobody has met anybody yet. After the first session with rooms it is shown here who was in a room
          with whom, and for how long.
        </Empty>
      ) : (
        <>
          <chakra.p mb="12px">
            <b>
              {met.length} of {pairs.toLocaleString('en-GB')} pairs
            </b>{' '}
            have met in {past.length === 1 ? 'one session' : `${past.length} sessions`}, counted by who was
            really in a room together. Unevenness over all pairs (Gini): {unevenness.toFixed(2)}.
          </chakra.p>
          <Flex gap="16px" mb="12px" wrap="wrap">
            <chakra.div w="180px">
              <Field label="Show">
                {parts => (
                  <Select
                    {...parts}
                    value={shows}
                    onChange={event => setShows(event.target.value as typeof shows)}
                  >
                    <option value="times">times together</option>
                    <option value="minutes">minutes together</option>
                  </Select>
                )}
              </Field>
            </chakra.div>
            {people.length > MOST_OFFERED && (
              <chakra.div w="220px">
                <Field label="Find somebody">
                  {parts => (
                    <Input
                      {...parts}
                      type="search"
                      value={typed}
                      onChange={event => setTyped(event.target.value)}
                    />
                  )}
                </Field>
              </chakra.div>
            )}
            <chakra.div w="220px">
              <Field label="One person">
                {parts => (
                  <Select {...parts} value={personId} onChange={event => setPersonId(event.target.value)}>
                    <option value="">everybody</option>
                    {offered(people, typed, personId).map(person => (
                      <option key={person.id} value={person.id}>
                        {person.shownName}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </chakra.div>
          </Flex>
          {personId && (
            <OnePerson personId={personId} name={name} pairs={met} never={neverMet(ids, met, personId)} />
          )}
          <MetMatrix people={people} pairs={met} shows={shows} marked={personId} />
          <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="24px" mt="24px">
            <Section title="Most often together">
              <PairList
                pairs={met.toSorted((a, b) => b.times - a.times || b.minutes - a.minutes)}
                all={met.length}
                name={name}
              />
            </Section>
            <Section title="Never or least together">
              <PairList pairs={least} all={pairs} name={name} />
            </Section>
          </Grid>
        </>
      )}
    </>
  )
}

/** The first pairs of a list of `all`. */
function PairList({ pairs, all, name }: { pairs: PairMet[]; all: number; name: (id: string) => string }) {
  return (
    <chakra.ul pl="18px">
      {pairs.slice(0, MOST_PAIRS).map(met => (
        <li key={met.pair.join()}>
          {name(met.pair[0])} and {name(met.pair[1])}: {metText(met)}
        </li>
      ))}
      {all > MOST_PAIRS && <chakra.li color="quiet">and {all - MOST_PAIRS} more pairs</chakra.li>}
    </chakra.ul>
  )
}

function OnePerson(props: {
  personId: string
  name: (id: string) => string
  pairs: PairMet[]
  never: string[]
}) {
  const { personId, name, pairs, never } = props
  const own = pairs
    .filter(({ pair }) => pair.includes(personId))
    .sort((one, other) => other.times - one.times || other.minutes - one.minutes)
  return (
    <chakra.div mb="16px" aria-live="polite">
      <chakra.p>
        <b>{name(personId)} has met:</b>{' '}
        {own.map(met => `${name(met.pair.find(id => id !== personId) ?? '')} (${metText(met)})`).join('; ') ||
          'nobody'}
      </chakra.p>
      <chakra.p>
        <b>Never met:</b> {never.map(name).join(', ') || 'nobody left'}
      </chakra.p>
    </chakra.div>
  )
}
