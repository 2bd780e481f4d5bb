import type { ChoiceAnswer, ChoiceTopic } from './asked'
import type { Allotment } from './choice'

/** How a choice stands, with as many people named as one can read: the rest is counted. */
export interface ChoiceStanding {
  groups: {
    topicId: string
    count: number
    first: { personId: string; rank: number | null; chose: boolean }[]
  }[]
  unplaced: { count: number; firstIds: string[] }
  /** How many of those who chose have which wish; the rank null is a topic they did not wish for. In order of rank. */
  ranks: { rank: number | null; count: number }[]
}

/** So many people are named over all topics, at least so many of each, and so many of those who are in none. */
const MOST_NAMED = 240
const LEAST_NAMED = 5
const MOST_UNPLACED = 60

/** What is seen of how people are shared out, from their answers. */
export function standingOf(
  topics: readonly ChoiceTopic[],
  { groups, unplacedIds, ranks }: Allotment,
  answers: readonly ChoiceAnswer[],
): ChoiceStanding {
  const chose = new Set(answers.filter(({ wishes }) => wishes.length > 0).map(({ personId }) => personId))
  const placed = groups.flatMap(({ personIds }) => personIds)
  const counts = new Map<number | null, number>()
  for (const personId of placed.filter(id => chose.has(id))) {
    const rank = ranks.get(personId) ?? null
    counts.set(rank, (counts.get(rank) ?? 0) + 1)
  }
  const most = Math.max(LEAST_NAMED, Math.floor(MOST_NAMED / topics.length))
  return {
    groups: groups.map(({ topicId, personIds }) => ({
      topicId,
      count: personIds.length,
      first: personIds.slice(0, most).map(personId => {
        return { personId, rank: ranks.get(personId) ?? null, chose: chose.has(personId) }
      }),
    })),
    unplaced: { count: unplacedIds.length, firstIds: unplacedIds.slice(0, MOST_UNPLACED) },
    ranks: [...counts]
      .map(([rank, count]) => ({ rank, count }))
      .sort((one, other) => (one.rank ?? Infinity) - (other.rank ?? Infinity)),
  }
}
