import { chakra, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { RoundList } from '~/core/grouping/edits'
import { homeGroups } from '~/core/grouping/jigsaw'
import { Button } from '../../../ui/button'
import { newSeed } from '../../../ui/by-chance'
import { newGroupId } from '../search/group-names'

interface HomeGroupsProps {
  rounds: RoundList
  /** The round shown, from 0. */
  round: number
  onUse: (rounds: RoundList) => void
}

/** The groups of the round shown are the expert groups; the home groups become the round after it. */
export function HomeGroups({ rounds, round, onUse }: HomeGroupsProps) {
  const [problem, setProblem] = useState<string | null>(null)
  const expert = rounds[round]
  const make = () => {
    if (!expert) return
    const seed = newSeed()
    const found = homeGroups(
      expert.groups.map(group => group.personIds),
      seed,
    )
    if (!found.ok) {
      setProblem(
        found.problem.code === 'one-expert-group'
          ? 'Home groups need at least two expert groups.'
          : 'An expert group has nobody in it.',
      )
      return
    }
    setProblem(null)
    const home = {
      groups: found.homes.map((personIds, index) => ({
        id: newGroupId(),
        name: `Home ${index + 1}`,
        personIds,
      })),
      unplacedIds: expert.unplacedIds,
    }
    onUse([...rounds.slice(0, round + 1), home])
  }
  return (
    <Stack gap="8px">
      <p>
        Round {round + 1} is for the experts; in the round after it, each home group has at least one of every
        expert group.
      </p>
      <div>
        <Button size="small" onClick={make}>
          Make home groups
        </Button>
      </div>
      {problem && (
        <chakra.p role="alert" color="stop" fontWeight="600">
          {problem}
        </chakra.p>
      )}
    </Stack>
  )
}
