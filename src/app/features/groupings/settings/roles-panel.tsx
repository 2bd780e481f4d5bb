import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { RoundList } from '~/core/grouping/edits'
import { giveRolesInRounds, ROLES, type Role, type RoleRule } from '~/core/grouping/roles'
import { Button } from '../../../ui/button'
import { newSeed } from '../../../ui/by-chance'
import { Field, Select } from '../../../ui/fields'
import type { GroupedPerson } from '../groups/grouped-person'

interface RolesPanelProps {
  rounds: RoundList
  people: Map<string, GroupedPerson>
  /** How often everybody has held each role, in the groupings that were used in past sessions. */
  held: Record<string, Partial<Record<Role, number>>>
  /** By person id, for each round. */
  roles: Record<string, Role>[]
  onChange: (roles: Record<string, Role>[]) => void
}

const RULES: Record<RoleRule, string> = {
  alphabet: 'by first name',
  turn: 'by whose turn it is',
  random: 'at random',
}

/** Gives lead, scribe, reporter and timekeeper in every group, and shows who has them. */
export function RolesPanel({ rounds, people, held, roles, onChange }: RolesPanelProps) {
  const [rule, setRule] = useState<RoleRule>('turn')
  const give = () => {
    const seed = newSeed()
    const member = (id: string) => {
      const person = people.get(id)
      if (!person) return []
      const { shownName: firstName, trainedToLead } = person
      return [{ id, firstName, trainedToLead, held: held[id] ?? {} }]
    }
    const members = rounds.map(({ groups }) => groups.map(group => group.personIds.flatMap(member)))
    onChange(giveRolesInRounds(members, rule, { locale: navigator.language, seed }))
  }
  const none = roles.length === 0
  return (
    <Stack gap="10px">
      <Flex gap="8px" align="flex-end">
        <Field label="Give roles">
          {parts => (
            <Select {...parts} value={rule} onChange={event => setRule(event.target.value as RoleRule)}>
              {Object.entries(RULES).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Button onClick={give}>{none ? 'Give' : 'Give anew'}</Button>
        {!none && (
          <Button kind="bare" onClick={() => onChange([])}>
            None
          </Button>
        )}
      </Flex>
      <chakra.p color="quiet" fontSize="s">
        {ROLES.join(', ')}; who is trained to lead leads first.
      </chakra.p>
    </Stack>
  )
}
