import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import type { Group } from '~/core/grouping/grouping'
import { DOUBLINGS, type Doubling, planRotation, type Rotation } from '~/core/grouping/rotation'
import { Field, Input, Select, TextArea } from '../../../ui/fields'
import { RotationTable } from '../rounds/rotation-table'

interface RotationPanelProps {
  groups: Group[]
  rotation: Rotation
  onChange: (rotation: Rotation) => void
}

/** The groups, as teams, go round stations: who is where in which round, and who waits. */
export function RotationPanel({ groups, rotation, onChange }: RotationPanelProps) {
  const { stations, doubled } = rotation
  const [typed, setTyped] = useState('')
  const { roundsForAll, doubled: asDone } = useMemo(
    () => planRotation(groups.length, stations.length, { doubled, rounds: 0 }),
    [groups.length, stations.length, doubled],
  )
  return (
    <Stack gap="10px">
      <Field label="Stations, one a line" hint="The groups stay together and go from station to station.">
        {parts => (
          <TextArea
            {...parts}
            rows={Math.min(12, Math.max(3, stations.length + 1))}
            // What was typed, blank lines and all, as long as it says what is kept.
            value={stationsIn(typed).join('\n') === stations.join('\n') ? typed : stations.join('\n')}
            onChange={event => {
              setTyped(event.target.value)
              onChange({ ...rotation, stations: stationsIn(event.target.value) })
            }}
          />
        )}
      </Field>
      {stations.length > 0 && (
        <>
          <Flex gap="16px" wrap="wrap">
            <chakra.div w="110px">
              <Field label="Rounds">
                {parts => (
                  <Input
                    {...parts}
                    type="number"
                    min={1}
                    max={roundsForAll}
                    value={rotation.rounds ?? ''}
                    placeholder={String(roundsForAll)}
                    onChange={event => {
                      const rounds = Math.floor(event.target.valueAsNumber)
                      onChange({ ...rotation, rounds: rounds >= 1 ? Math.min(rounds, roundsForAll) : null })
                    }}
                  />
                )}
              </Field>
            </chakra.div>
            <Field label="Two teams at a station">
              {parts => (
                <Select
                  {...parts}
                  value={doubled}
                  onChange={event => onChange({ ...rotation, doubled: event.target.value as Doubling })}
                >
                  {DOUBLINGS.map(each => (
                    <option key={each} value={each}>
                      {DOUBLING_TEXT[each]}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          </Flex>
          <p>
            After {roundsForAll} {roundsForAll === 1 ? 'round' : 'rounds'} every team has been at every
            station once; fewer can't be.
            {asDone === 'changing' && ' No two teams are together twice.'}
            {asDone !== doubled &&
              ` For ${groups.length} teams at so many stations no way was found to be with another one each time: the same two stay together.`}
          </p>
          <chakra.div overflowX="auto" tabIndex={0} role="region" aria-label="Teams at stations">
            <RotationTable groups={groups} rotation={rotation} />
          </chakra.div>
        </>
      )}
    </Stack>
  )
}

const DOUBLING_TEXT: Record<Doubling, string> = {
  none: 'never',
  same: 'always the same two',
  changing: 'another team each time',
}

const stationsIn = (typed: string): string[] =>
  typed
    .split('\n')
    .map(line => line.trim().slice(0, 60))
    .filter(line => line !== '')
    .slice(0, 60)
