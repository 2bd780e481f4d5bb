import type { ChoiceAnswer, ChoiceKind, ChoiceTopic } from './asked'
import { type ChoiceProblem, shareByArrival, shareByWishes } from './share'

/** How many places each topic has left when the first to come is served, from how many took each; by topic id. */
export const placesLeft = (
  topics: readonly ChoiceTopic[],
  taken: ReadonlyMap<string | null, number>,
): Map<string, number> => new Map(topics.map(({ id, max }) => [id, Math.max(0, max - (taken.get(id) ?? 0))]))

/** Who goes to which topic, by topic id; who chose nothing that is left stands in none where the first is served. */
export interface Allotment {
  groups: { topicId: string; personIds: string[] }[]
  unplacedIds: string[]
  /** By person id: 1 for a first wish; null for a topic that was not wished for. */
  ranks: Map<string, number | null>
}

/** Shares the people out over the topics by what they chose. Everybody is placed by wishes, also who had none. */
export function allot(
  kind: ChoiceKind,
  topics: readonly ChoiceTopic[],
  personIds: readonly string[],
  answers: readonly ChoiceAnswer[],
): { ok: true; allotment: Allotment } | { ok: false; problem: ChoiceProblem } {
  const numberOf = new Map(topics.map((topic, number) => [topic.id, number]))
  const byPerson = new Map(answers.map(answer => [answer.personId, answer]))
  const order =
    kind === 'wishes'
      ? [...personIds]
      : [...personIds].sort(
          (one, other) =>
            (byPerson.get(one)?.at ?? Number.POSITIVE_INFINITY) -
            (byPerson.get(other)?.at ?? Number.POSITIVE_INFINITY),
        )
  const wishes = order.map(id => (byPerson.get(id)?.wishes ?? []).flatMap(wish => numberOf.get(wish) ?? []))
  const shared =
    kind === 'wishes'
      ? shareByWishes(topics, wishes)
      : {
          ok: true as const,
          result: {
            places: shareByArrival(topics, wishes).map((topic, person) => ({
              topic,
              rank: topic === null ? null : (wishes[person]?.indexOf(topic) ?? 0) + 1,
            })),
          },
        }
  if (!shared.ok) return shared
  const { places } = shared.result
  const inTopic = (topic: number | null) => order.filter((_, person) => places[person]?.topic === topic)
  return {
    ok: true,
    allotment: {
      groups: topics.map(({ id }, topic) => ({ topicId: id, personIds: inTopic(topic) })),
      unplacedIds: inTopic(null),
      ranks: new Map(order.map((id, person) => [id, places[person]?.rank ?? null])),
    },
  }
}
