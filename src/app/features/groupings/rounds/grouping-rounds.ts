import type { GroupingContent } from '~/contracts/grouping'
import type { RoundList } from '~/core/grouping/edits'
import type { Arrangement, Group } from '~/core/grouping/grouping'
import type { Role } from '~/core/grouping/roles'
import type { Rotation } from '~/core/grouping/rotation'
import type { Aim } from '~/core/grouping/rules'
import type { GroupedPerson } from '../groups/grouped-person'

/** The rounds of what was kept. People who have joined the list since stand in no group; those who left it are taken out. */
export const roundsFrom = (
  people: GroupedPerson[],
  content: Pick<GroupingContent, 'groups' | 'laterRounds'>,
): RoundList => [content.groups, ...content.laterRounds].map(groups => arrangementOf(people, groups))

/** One round with nobody placed, in empty groups of these names. */
export const emptyRounds = (people: GroupedPerson[], names: string[]): RoundList => [
  arrangementOf(
    people,
    names.map((name, index) => ({ id: `like-${index}`, name, personIds: [] })),
  ),
]

/** What groups are made by, and what is made of them. */
export interface GroupingSettings {
  aims: Aim[]
  /** Rules that are switched off. */
  offIds: ReadonlySet<string>
  /** Who stays when groups are made again. */
  held: ReadonlySet<string>
  /** Roles in each round, by person id. */
  roles: Record<string, Role>[]
  rotation: Rotation
}

/** The settings of what was kept, without roles of people who have left. */
export function settingsFrom(people: GroupedPerson[], content: GroupingContent): GroupingSettings {
  const onList = new Set(people.map(person => person.id))
  const { aims, rotation } = content
  return {
    aims,
    rotation,
    offIds: new Set(content.offRuleIds),
    held: new Set(content.heldIds),
    roles: content.roles.map(roles =>
      Object.fromEntries(Object.entries(roles).filter(([id]) => onList.has(id))),
    ),
  }
}

/** What is kept of the rounds. */
export const contentRounds = (rounds: RoundList): Group[][] => rounds.map(({ groups }) => groups)

function arrangementOf(people: GroupedPerson[], groups: Group[]): Arrangement {
  const onList = new Set(people.map(person => person.id))
  const placed = groups.map(group => ({ ...group, personIds: group.personIds.filter(id => onList.has(id)) }))
  const inGroup = new Set(placed.flatMap(group => group.personIds))
  return { groups: placed, unplacedIds: people.map(person => person.id).filter(id => !inGroup.has(id)) }
}

export function toggled(ids: ReadonlySet<string>, id: string, on: boolean): ReadonlySet<string> {
  const next = new Set(ids)
  if (on) next.add(id)
  else next.delete(id)
  return next
}
