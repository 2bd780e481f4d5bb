import { groupBy } from 'lodash-es'
import type { ChoiceAnswer, ChoiceTopic } from './asked'
import type { Allotment } from './choice'

/** Who gave which answer to a quick question, in the order they answered; who gave none that still stands is in none. */
export function answersGiven(
  answers: readonly ChoiceTopic[],
  personIds: readonly string[],
  given: readonly ChoiceAnswer[],
): Allotment {
  const people = new Set(personIds)
  const inOrder = given.filter(one => people.has(one.personId)).sort((one, other) => one.at - other.at)
  const byAnswer = groupBy(inOrder, one => one.wishes[0] ?? '')
  const groups = answers.map(({ id }) => ({
    topicId: id,
    personIds: (byAnswer[id] ?? []).map(one => one.personId),
  }))
  const answered = new Set(groups.flatMap(group => group.personIds))
  return {
    groups,
    unplacedIds: personIds.filter(id => !answered.has(id)),
    ranks: new Map(personIds.map(id => [id, answered.has(id) ? 1 : null])),
  }
}
