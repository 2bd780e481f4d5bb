import { setImmediate } from 'node:timers/promises'
import type { ChoiceOverview, Chooser } from '~/contracts/choice'
import { standingOf } from '~/core/choices/standing'
import { getCohort, type ListedPerson } from '../cohorts/cohorts.server'
import type { Database } from '../db/database.server'
import { answersOf, type Choice, shareOut } from './choices.server'

/** So many people come with a page; more are fetched once it stands. */
const FIRST_PEOPLE = 20

/** A choice as it stands. Of a long list only the beginning comes with it. */
export async function choiceOverview(db: Database, choice: Choice): Promise<ChoiceOverview> {
  const [cohort, answers] = await Promise.all([getCohort(db, choice.cohortId), answersOf(db, choice.id)])
  await setImmediate()
  const choosers = choosersOf(cohort.people, answers)
  const personIds = choosers.map(({ id }) => id)
  const shared = await shareOut(choice, personIds, answers)
  await setImmediate()
  const standing = shared.ok
    ? { ok: true as const, ...standingOf(choice.topics, shared.allotment, answers) }
    : shared
  const named = new Set(
    standing.ok
      ? [
          ...standing.unplaced.firstIds,
          ...standing.groups.flatMap(({ first }) => first.map(({ personId }) => personId)),
        ]
      : [],
  )
  const names = choosers.flatMap(({ id, shownName }): ChoiceOverview['names'] =>
    named.has(id) ? [[id, shownName]] : [],
  )
  await setImmediate()
  return {
    cohort: { id: cohort.id, name: cohort.name },
    people: choosers.slice(0, FIRST_PEOPLE),
    count: choosers.length,
    chosen: choosers.filter(({ wishes }) => wishes && wishes.length > 0).length,
    shared: standing,
    names,
  }
}

/** Everybody who is asked, in the order of the list, with what they chose. */
export async function choosers(db: Database, choice: Choice): Promise<Chooser[]> {
  const [{ people }, answers] = await Promise.all([getCohort(db, choice.cohortId), answersOf(db, choice.id)])
  return choosersOf(people, answers)
}

/** Names that nobody has taken yet in this choice, in the order of the list. */
export async function freeChoiceNames(
  db: Database,
  choice: Choice,
): Promise<{ personId: string; shownName: string }[]> {
  return (await choosers(db, choice)).flatMap(({ id, shownName, held }) =>
    held ? [] : [{ personId: id, shownName }],
  )
}

function choosersOf(people: ListedPerson[], answers: Awaited<ReturnType<typeof answersOf>>): Chooser[] {
  const answerOf = new Map(answers.map(answer => [answer.personId, answer]))
  return people.map(({ id, shownName }) => {
    const answer = answerOf.get(id)
    return { id, shownName, wishes: answer?.wishes ?? null, held: answer?.held ?? false }
  })
}
