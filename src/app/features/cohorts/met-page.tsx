import { chakra, Flex, Grid } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { type PairMet, whoHasMet } from '~/core/history/met'
import type { PastSession } from '~/core/history/pairs'
import { ButtonLink } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import { Empty, PageHead, Section } from '../../ui/layout'

interface MetPageProps {
  cohort: { id: string; name: string; people: { id: string; shownName: string }[] }
  past: PastSession[]
}

/** Pairs named at either end of the list. */
const MOST_PAIRS = 12

/** Who has met whom over all past sessions: a matrix, the pairs at both ends, and one person's own list. */
export function MetPage({ cohort, past }: MetPageProps) {
  const [shows, setShows] = useState<'times' | 'minutes'>('times')
  const [personId, setPersonId] = useState('')
  const { people } = cohort
  const met = useMemo(
    () =>
      whoHasMet(
        people.map(person => person.id),
        past,
      ),
    [people, past],
  )
  const names = new Map(people.map(person => [person.id, person.shownName]))
  const name = (id: string) => names.get(id) ?? ''
  const together = met.pairs.filter(({ times }) => times > 0)
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
              {together.length} of {met.pairs.length} pairs
            </b>{' '}
            have met in {past.length === 1 ? 'one session' : `${past.length} sessions`}, counted by who was
            really in a room together. Unevenness over all pairs (Gini): {met.unevenness.toFixed(2)}.
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
            <chakra.div w="220px">
              <Field label="One person">
                {parts => (
                  <Select {...parts} value={personId} onChange={event => setPersonId(event.target.value)}>
                    <option value="">everybody</option>
                    {people.map(person => (
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
            <OnePerson
              personId={personId}
              name={name}
              pairs={together}
              never={met.never.get(personId) ?? []}
            />
          )}
          <Matrix people={people} pairs={met.pairs} shows={shows} marked={personId} />
          <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="24px" mt="24px">
            <Section title="Most often together">
              <PairList
                pairs={[...together].sort((a, b) => b.times - a.times || b.minutes - a.minutes)}
                name={name}
              />
            </Section>
            <Section title="Never or least together">
              <PairList
                pairs={[...met.pairs].sort((a, b) => a.times - b.times || a.minutes - b.minutes)}
                name={name}
              />
            </Section>
          </Grid>
        </>
      )}
    </>
  )
}

interface MatrixProps {
  people: MetPageProps['cohort']['people']
  pairs: PairMet[]
  shows: 'times' | 'minutes'
  marked: string
}

/** Cells small enough for forty people; the number is in every cell, its shade only helps the eye. */
function Matrix({ people, pairs, shows, marked }: MatrixProps) {
  const byPair = new Map(
    pairs.flatMap(met => [
      [met.pair.join(' '), met],
      [met.pair.toReversed().join(' '), met],
    ]),
  )
  const most = Math.max(1, ...pairs.map(met => met[shows]))
  return (
    <chakra.div
      overflow="auto"
      maxH="78vh"
      tabIndex={0}
      role="region"
      aria-label="Matrix of who has met whom"
    >
      <chakra.table borderCollapse="collapse" fontSize="s" lineHeight="1" fontVariantNumeric="tabular-nums">
        <thead>
          <tr>
            <Corner />
            {people.map(person => (
              <ColumnHead key={person.id} scope="col" color={person.id === marked ? 'live' : undefined}>
                {person.shownName}
              </ColumnHead>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map(row => (
            <chakra.tr key={row.id} outline={row.id === marked ? '2px solid var(--live)' : undefined}>
              <RowHead scope="row">{row.shownName}</RowHead>
              {people.map(column => {
                const met = byPair.get(`${row.id} ${column.id}`)
                const value = met?.[shows] ?? 0
                return (
                  <Cell
                    key={column.id}
                    title={met && `${row.shownName} and ${column.shownName}: ${metText(met)}`}
                    bg={met ? undefined : 'sunk'}
                    style={
                      value > 0
                        ? {
                            background: `color-mix(in srgb, var(--live) ${10 + Math.round((value / most) * 28)}%, transparent)`,
                          }
                        : undefined
                    }
                  >
                    {value > 0 ? Math.round(value) || '<1' : ''}
                  </Cell>
                )
              })}
            </chakra.tr>
          ))}
        </tbody>
      </chakra.table>
    </chakra.div>
  )
}

const Cell = chakra('td', {
  base: { minW: '21px', h: '21px', textAlign: 'center', borderWidth: '1px', p: '0' },
})
const RowHead = chakra('th', {
  base: {
    textAlign: 'right',
    fontWeight: '500',
    pr: '6px',
    whiteSpace: 'nowrap',
    position: 'sticky',
    insetInlineStart: '0',
    bg: 'paper',
  },
})
const ColumnHead = chakra('th', {
  base: {
    writingMode: 'vertical-rl',
    transform: 'rotate(180deg)',
    fontWeight: '500',
    textAlign: 'left',
    py: '6px',
    px: '0',
    whiteSpace: 'nowrap',
    bg: 'paper',
  },
})
const Corner = chakra('td', { base: { bg: 'paper' } })

function PairList({ pairs, name }: { pairs: PairMet[]; name: (id: string) => string }) {
  return (
    <chakra.ul pl="18px">
      {pairs.slice(0, MOST_PAIRS).map(met => (
        <li key={met.pair.join()}>
          {name(met.pair[0])} and {name(met.pair[1])}: {metText(met)}
        </li>
      ))}
      {pairs.length > MOST_PAIRS && (
        <chakra.li color="quiet">and {pairs.length - MOST_PAIRS} more pairs</chakra.li>
      )}
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

/** A calendar day is the same wherever it is read. */
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })

function metText({ times, minutes, lastDay }: PairMet): string {
  if (lastDay === null) return 'never'
  return `${times === 1 ? 'once' : `${times} times`}, ${Math.round(minutes)} min, last ${day.format(new Date(`${lastDay}T00:00Z`))}`
}
