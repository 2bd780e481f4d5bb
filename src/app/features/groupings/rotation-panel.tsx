import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { Group } from '~/core/grouping/grouping'
import { planRotation } from '~/core/grouping/rotation'
import { Field, Input, TextArea, Tick } from '../../ui/fields'
import { listed } from './rule-text'

interface RotationPanelProps {
  groups: Group[]
  stations: string[]
  onChange: (stations: string[]) => void
}

/** The groups, as teams, go round stations: who is where in which round, and who waits. */
export function RotationPanel({ groups, stations, onChange }: RotationPanelProps) {
  const [doubled, setDoubled] = useState(false)
  const [typedRounds, setTypedRounds] = useState('')
  const whole = planRotation(groups.length, Math.max(1, stations.length), { doubled })
  const wanted = Number(typedRounds)
  const count =
    Number.isInteger(wanted) && wanted > 0 ? Math.min(wanted, whole.roundsForAll) : whole.roundsForAll
  const { rounds } = planRotation(groups.length, Math.max(1, stations.length), { doubled, rounds: count })
  const teamsAt = (round: (number | null)[], station: number | null) =>
    round.flatMap((at, team) => (at === station ? [groups[team]?.name ?? ''] : []))
  return (
    <Stack gap="10px">
      <Field label="Stations, one a line" hint="The groups stay together and go from station to station.">
        {parts => (
          <TextArea
            {...parts}
            defaultValue={stations.join('\n')}
            onChange={event =>
              onChange(
                event.target.value
                  .split('\n')
                  .map(line => line.trim().slice(0, 60))
                  .filter(line => line !== '')
                  .slice(0, 60),
              )
            }
          />
        )}
      </Field>
      {stations.length > 0 && (
        <>
          <Flex gap="16px" align="flex-end" wrap="wrap">
            <chakra.div w="110px">
              <Field label="Rounds">
                {parts => (
                  <Input
                    {...parts}
                    type="number"
                    min={1}
                    max={whole.roundsForAll}
                    value={typedRounds}
                    placeholder={String(whole.roundsForAll)}
                    onChange={event => setTypedRounds(event.target.value)}
                  />
                )}
              </Field>
            </chakra.div>
            <Tick checked={doubled} onChange={event => setDoubled(event.target.checked)}>
              two teams at a station
            </Tick>
          </Flex>
          <p>
            After {whole.roundsForAll} {whole.roundsForAll === 1 ? 'round' : 'rounds'} every team has been at
            every station once; fewer can't be.
          </p>
          <chakra.div overflowX="auto" tabIndex={0} role="region" aria-label="Teams at stations">
            <chakra.table w="full" borderCollapse="collapse" fontSize="s">
              <thead>
                <tr>
                  <Cell as="th" scope="col">
                    Round
                  </Cell>
                  {stations.map(station => (
                    <Cell as="th" scope="col" key={station}>
                      {station}
                    </Cell>
                  ))}
                  <Cell as="th" scope="col">
                    waiting
                  </Cell>
                </tr>
              </thead>
              <tbody>
                {rounds.map((round, number) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
                  <tr key={number}>
                    <Cell as="th" scope="row">
                      {number + 1}
                    </Cell>
                    {stations.map((station, place) => (
                      <Cell key={station}>{listed(teamsAt(round, place)) || <Free />}</Cell>
                    ))}
                    <Cell color="quiet">{listed(teamsAt(round, null))}</Cell>
                  </tr>
                ))}
              </tbody>
            </chakra.table>
          </chakra.div>
        </>
      )}
    </Stack>
  )
}

const Cell = chakra('td', {
  base: { textAlign: 'left', p: '5px 8px 5px 0', borderBottomWidth: '1px', verticalAlign: 'top' },
})

const Free = () => <chakra.span color="quiet">free</chakra.span>
