import { chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { RoundList } from '~/core/grouping/edits'
import { repeatedPairs, whomOneMeets } from '~/core/grouping/rounds/meets'
import type { RoundsMethod } from '~/core/grouping/rounds/portfolio'
import { listed } from '~/core/grouping/rule-text'
import { Button } from '../../../ui/button'
import { Field, Select } from '../../../ui/fields'
import { Section } from '../../../ui/layout'
import type { GroupedPerson } from '../groups/grouped-person'
import type { Outcome } from '../search/search-task'

type Name = (personId: string) => string

interface RoundsTableProps {
  rounds: RoundList
  people: Map<string, GroupedPerson>
  /** The round shown below, from 0. */
  shown: number
  onShow: (round: number) => void
  outcome: Outcome | null
  /** Whether a rule keeps two together: their meetings are no repeats. */
  together: (a: string, b: string) => boolean
}

/** Several rounds as a table of rounds by groups, what there is to say of them, and whom one person meets. */
export function RoundsTable({ rounds, people, shown, onShow, outcome, together }: RoundsTableProps) {
  const [personId, setPersonId] = useState('')
  const name = (id: string) => people.get(id)?.shownName ?? 'somebody who left'
  const heads = rounds[0]?.groups.map(group => group.name) ?? []
  const same = rounds.every(
    ({ groups }) =>
      groups.length === heads.length && groups.every(({ name }, index) => name === heads[index]),
  )
  const columns = Math.max(...rounds.map(({ groups }) => groups.length))
  return (
    <Section title="Rounds">
      <Standing rounds={rounds} name={name} outcome={outcome} together={together} />
      <chakra.div overflowX="auto" tabIndex={0} role="region" aria-label="Table of rounds">
        <chakra.table w="full" borderCollapse="collapse" fontSize="s" lineHeight="1.35">
          <thead>
            <tr>
              <Head scope="col">Round</Head>
              {Array.from({ length: columns }, (_, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns are places.
                <Head key={index} scope="col">
                  {same ? heads[index] : <chakra.span srOnly>Group {index + 1}</chakra.span>}
                </Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {rounds.map(({ groups }, round) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
              <chakra.tr key={round} bg={round === shown ? 'liveWash' : undefined} borderTopWidth="1px">
                <chakra.th scope="row" textAlign="left" verticalAlign="top" p="6px">
                  <Button
                    size="small"
                    aria-label={`Show round ${round + 1}`}
                    aria-pressed={round === shown}
                    onClick={() => onShow(round)}
                  >
                    {round + 1}
                  </Button>
                </chakra.th>
                {Array.from({ length: columns }, (_, index) => {
                  const group = groups[index]
                  const here = personId !== '' && group?.personIds.includes(personId)
                  return (
                    <chakra.td
                      key={group?.id ?? index}
                      verticalAlign="top"
                      p="6px"
                      minW="84px"
                      outline={here ? '2px solid var(--live)' : undefined}
                      outlineOffset="-2px"
                    >
                      {!same && group && <chakra.b display="block">{group.name}</chakra.b>}
                      {group?.personIds.map(id => (
                        <chakra.div key={id} fontWeight={id === personId ? '700' : undefined}>
                          {name(id)}
                        </chakra.div>
                      ))}
                    </chakra.td>
                  )
                })}
              </chakra.tr>
            ))}
          </tbody>
        </chakra.table>
      </chakra.div>
      <Flex gap="16px" mt="12px" wrap="wrap" align="flex-start">
        <chakra.div w="220px">
          <Field label="Whom does one person meet?">
            {parts => (
              <Select {...parts} value={personId} onChange={event => setPersonId(event.target.value)}>
                <option value="">choose a person</option>
                {[...people.values()].map(person => (
                  <option key={person.id} value={person.id}>
                    {person.shownName}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </chakra.div>
        {personId && <OnePerson rounds={rounds} personId={personId} name={name} />}
      </Flex>
    </Section>
  )
}

const Head = chakra('th', {
  base: { textAlign: 'left', p: '6px', borderBottomWidth: '2px', verticalAlign: 'bottom' },
})

function OnePerson(props: { rounds: RoundList; personId: string; name: Name }) {
  const { rounds, personId, name } = props
  const met = whomOneMeets(rounds, personId)
  return (
    <chakra.div flex="1" minW="240px" aria-live="polite">
      <chakra.ol pl="20px" listStyleType="decimal">
        {met.rounds.map(({ groupName, withIds }, round) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
          <li key={round}>
            {groupName === ''
              ? 'in no group'
              : `${groupName}, with ${withIds.length === 0 ? 'nobody' : listed(withIds.map(name))}`}
          </li>
        ))}
      </chakra.ol>
      <chakra.p color="quiet">
        {met.never.length === 0
          ? `${name(personId)} meets everybody.`
          : `Never with: ${listed(met.never.map(name))}`}
      </chakra.p>
    </chakra.div>
  )
}

const METHODS: Record<RoundsMethod, string> = {
  circle: 'built by the circle method',
  affine: 'built as the parallel lines of an affine space',
  transversal: 'built as lines across the columns of a square of people',
  'base-rounds': 'built from base rounds, turned step by step',
  search: 'found by search',
}

function Standing(props: Pick<RoundsTableProps, 'rounds' | 'outcome' | 'together'> & { name: Name }) {
  const { rounds, name, outcome, together } = props
  const all = repeatedPairs(rounds)
  const repeated = all.filter(({ pair }) => !together(...pair))
  const times = repeated.reduce((sum, { rounds: in_ }) => sum + in_.length - 1, 0)
  const made = outcome?.kind === 'rounds' ? outcome : null
  return (
    <chakra.div mb="10px">
      <b>
        {times === 0
          ? `Nobody meets twice in these ${rounds.length} rounds${all.length > 0 ? ', but those a rule keeps together' : ''}.`
          : times === 1
            ? 'One pair meets twice.'
            : `${repeated.length === 1 ? '1 pair meets' : `${repeated.length} pairs meet`} again, ${times} times in all.`}
      </b>{' '}
      {made && (
        <span>
          {made.proved ? 'Proved best' : 'Best found'}, {METHODS[made.method]}.
          {!made.proved && times > 0 && made.leastRepeats > 0 && ` Fewer than ${made.leastRepeats} can't be.`}
          {!made.proved && times > 0 && made.leastRepeats === 0 && ' Whether fewer can be is not known.'}
        </span>
      )}
      {times > 0 && (
        <details>
          <chakra.summary cursor="pointer">who, and in which rounds</chakra.summary>
          <chakra.ul pl="18px" maxH="180px" overflowY="auto">
            {repeated.map(({ pair, rounds: in_ }) => (
              <li key={pair.join()}>
                {listed(pair.map(name))}: rounds {listed(in_.map(round => String(round + 1)))}
              </li>
            ))}
          </chakra.ul>
        </details>
      )}
    </chakra.div>
  )
}
