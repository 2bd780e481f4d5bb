import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { Group } from '~/core/grouping/grouping'
import { giveRoles, ROLES, type Role, type RoleRule } from '~/core/grouping/roles'
import { Button } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import type { GroupedPerson } from './grouped-person'

interface RolesPanelProps {
  groups: Group[]
  people: Map<string, GroupedPerson>
  /** How often everybody has held each role, in the groupings that were used in past sessions. */
  held: Record<string, Partial<Record<Role, number>>>
  roles: Record<string, Role>
  onChange: (roles: Record<string, Role>) => void
}

const RULES: Record<RoleRule, string> = {
  alphabet: 'by first name',
  turn: 'by whose turn it is',
  random: 'at random',
}

/** Gives lead, scribe, reporter and timekeeper in every group, and shows who has them. */
export function RolesPanel({ groups, people, held, roles, onChange }: RolesPanelProps) {
  const [rule, setRule] = useState<RoleRule>('turn')
  const give = () => {
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    const given: Record<string, Role> = {}
    for (const [place, group] of groups.entries()) {
      const members = group.personIds.flatMap(id => {
        const person = people.get(id)
        return person
          ? [{ id, firstName: person.shownName, trainedToLead: person.trainedToLead, held: held[id] ?? {} }]
          : []
      })
      const found = giveRoles(members, rule, { locale: navigator.language, seed: seed + place })
      for (const [role, id] of Object.entries(found)) given[id] = role as Role
    }
    onChange(given)
  }
  const none = Object.keys(roles).length === 0
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
          <Button kind="bare" onClick={() => onChange({})}>
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
