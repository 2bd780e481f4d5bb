import type { Arrangement } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { newId } from '../../../ui/by-chance'

export const newGroupId = () => newId().slice(0, 18)

/** Groups of a search as a round: each with the id and name of the one it takes the place of. */
export function named(
  question: GroupingQuestion,
  ids: string[],
  groups: string[][],
  absentIds: string[],
): Arrangement {
  return {
    groups: groups.map((personIds, index) => ({
      id: ids[index] ?? '',
      name: question.groups[index]?.name ?? '',
      personIds,
    })),
    unplacedIds: absentIds,
  }
}

/** Names of so many groups: those there are, then numbers that are free. */
export function groupNames(present: Arrangement, count: number): string[] {
  const names = present.groups.slice(0, count).map(group => group.name)
  for (let number = 1; names.length < count; number++) {
    if (!names.includes(`Group ${number}`)) names.push(`Group ${number}`)
  }
  return names
}
