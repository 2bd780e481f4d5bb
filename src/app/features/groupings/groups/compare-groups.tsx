import { chakra, Grid } from '@chakra-ui/react'
import { changesBetween } from '~/core/grouping/compare'
import type { Group } from '~/core/grouping/grouping'

interface CompareGroupsProps {
  before: { title: string; groups: Group[] }
  after: { title: string; groups: Group[] }
  name: (personId: string) => string
}

/** Two states of the same groups side by side; who stands elsewhere is marked and listed. */
export function CompareGroups({ before, after, name }: CompareGroupsProps) {
  const changes = changesBetween(before.groups, after.groups)
  const moved = new Set(changes.map(({ personId }) => personId))
  return (
    <chakra.div>
      <chakra.p fontWeight="650">
        {changes.length === 0
          ? 'Everybody stands in the same place.'
          : changes.length === 1
            ? 'One person stands elsewhere.'
            : `${changes.length} people stand elsewhere.`}
      </chakra.p>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="16px" mt="8px">
        {[before, after].map(({ title, groups }) => (
          <chakra.section key={title} aria-label={title}>
            <chakra.h3 fontSize="m" mb="4px">
              {title}
            </chakra.h3>
            <chakra.ul listStyleType="none">
              {groups.map(group => (
                <chakra.li key={group.id} py="4px" borderTopWidth="1px">
                  <b>{group.name}</b>{' '}
                  {group.personIds.map((id, index) => (
                    <span key={id}>
                      {index > 0 && ', '}
                      {moved.has(id) ? (
                        <chakra.mark bg="askWash" color="ink" px="3px">
                          {name(id)}
                        </chakra.mark>
                      ) : (
                        name(id)
                      )}
                    </span>
                  ))}
                </chakra.li>
              ))}
            </chakra.ul>
          </chakra.section>
        ))}
      </Grid>
    </chakra.div>
  )
}
