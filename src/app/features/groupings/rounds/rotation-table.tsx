import { chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import type { Group } from '~/core/grouping/grouping'
import { planRotation, type Rotation } from '~/core/grouping/rotation'
import { listed } from '~/core/grouping/rule-text'

/** Rounds by stations: which teams are where, and which wait. */
export function RotationTable({ groups, rotation }: { groups: Group[]; rotation: Rotation }) {
  const { stations, rounds: wanted, doubled } = rotation
  const { rounds } = useMemo(
    () => planRotation(groups.length, stations.length, { doubled, ...(wanted && { rounds: wanted }) }),
    [groups.length, stations.length, wanted, doubled],
  )
  const someWait = rounds.some(round => round.includes(null))
  const teamsAt = (round: (number | null)[], station: number | null) =>
    listed(round.flatMap((at, team) => (at === station ? [groups[team]?.name ?? ''] : [])))
  return (
    <chakra.table w="full" borderCollapse="collapse" fontSize="s">
      <thead>
        <tr>
          <Head scope="col">Round</Head>
          {stations.map((station, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two stations may have one name.
            <Head scope="col" key={index}>
              {station}
            </Head>
          ))}
          {someWait && <Head scope="col">waiting</Head>}
        </tr>
      </thead>
      <tbody>
        {rounds.map((round, number) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
          <tr key={number}>
            <Head scope="row">{number + 1}</Head>
            {stations.map((_, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two stations may have one name.
              <Cell key={index}>
                {teamsAt(round, index) || <chakra.span color="quiet">free</chakra.span>}
              </Cell>
            ))}
            {someWait && <Cell color="quiet">{teamsAt(round, null)}</Cell>}
          </tr>
        ))}
      </tbody>
    </chakra.table>
  )
}

const cell = {
  textAlign: 'left',
  p: '5px 8px 5px 0',
  borderBottomWidth: '1px',
  verticalAlign: 'top',
} as const
const Cell = chakra('td', { base: cell })
const Head = chakra('th', { base: { ...cell, fontWeight: '650' } })
