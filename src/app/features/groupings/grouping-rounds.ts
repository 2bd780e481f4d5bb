import type { GroupingContent } from '~/contracts/grouping'
import type { RoundList } from '~/core/grouping/edits'
import type { Arrangement, Group } from '~/core/grouping/grouping'
import type { GroupedPerson } from './grouped-person'

/** The rounds of what was kept. People who have joined the list since stand in no group; those who left it are taken out. */
export const roundsFrom = (
  people: GroupedPerson[],
  content: Pick<GroupingContent, 'groups' | 'laterRounds'>,
): RoundList => [content.groups, ...content.laterRounds].map(groups => arrangementOf(people, groups))

/** One round with nobody placed, in empty groups of these names. */
export const emptyRounds = (people: GroupedPerson[], names: string[]): RoundList => [
  arrangementOf(
    people,
    names.map((name, place) => ({ id: `like-${place}`, name, personIds: [] })),
  ),
]

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
