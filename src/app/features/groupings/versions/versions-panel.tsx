import { chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { GroupingVersion } from '~/contracts/grouping'
import type { Group } from '~/core/grouping/grouping'
import { Button } from '../../../ui/button'
import { Row, Rows, Section } from '../../../ui/layout'
import { When } from '../../../ui/when'
import { CompareGroups } from '../groups/compare-groups'

interface VersionsPanelProps {
  versions: GroupingVersion[]
  /** The round shown, from 0, as it is now. */
  round: number
  groups: Group[]
  name: (personId: string) => string
  /** Takes a version's groups, as a step that can be undone. */
  onTake: (version: GroupingVersion) => void
}

/** Every save, with who and when; any can be compared with what stands there, or taken again. */
export function VersionsPanel({ versions, round, groups, name, onTake }: VersionsPanelProps) {
  const [compared, setCompared] = useState<number | null>(null)
  const version = versions.find(each => each.version === compared)
  return (
    <Section title="Versions">
      <Rows label="Versions">
        {versions.map(each => (
          <Row key={each.version}>
            <b>{each.version}</b>
            <span>
              {each.savedBy}, <When at={each.savedAt} />
            </span>
            <Flex gap="4px" ml="auto">
              <Button
                size="small"
                kind="bare"
                aria-pressed={compared === each.version}
                aria-label={`Compare with version ${each.version}`}
                onClick={() => setCompared(compared === each.version ? null : each.version)}
              >
                Compare
              </Button>
              <Button
                size="small"
                kind="bare"
                aria-label={`Take version ${each.version}`}
                onClick={() => onTake(each)}
              >
                Take
              </Button>
            </Flex>
          </Row>
        ))}
      </Rows>
      {version && (
        <chakra.div mt="12px">
          <CompareGroups
            before={{ title: `Version ${version.version}`, groups: groupsOfRound(version, round) }}
            after={{ title: 'As it stands here', groups }}
            name={name}
          />
        </chakra.div>
      )}
    </Section>
  )
}

const groupsOfRound = ({ content }: GroupingVersion, round: number): Group[] =>
  round === 0 ? content.groups : (content.laterRounds[round - 1] ?? [])
