import { and, asc, count, desc, eq, sql } from 'drizzle-orm'
import type { ChoiceRefusal } from '~/contracts/choice'
import type { ChoiceForm } from '~/contracts/forms/choices'
import type { AskedKind, ChoiceAnswer, ChoiceTopic } from '~/core/choices/asked'
import { placesLeft } from '~/core/choices/choice'
import { sharedOut } from '~/core/choices/shared-out'
import type { Group } from '~/core/grouping/grouping'
import { columnNameOf, readNumber } from '~/core/people/columns'
import { getCohort, isOnList } from '../cohorts/cohorts.server'
import { type ColumnProblem, fillColumn } from '../cohorts/columns.server'
import type { Database } from '../db/database.server'
import { choiceAnswers, choices } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId, newToken, tokenHash } from '../tokens.server'
import { onWorkThread } from '../work/work-thread.server'

export interface Choice {
  id: string
  cohortId: string
  title: string
  kind: AskedKind
  wishes: number
  topics: ChoiceTopic[]
  phase: 'open' | 'closed'
  code: string
}

/** Opens a choice to the people of a cohort and gives its id. Throws not-found. */
export async function openChoice(db: Database, cohortId: string, form: ChoiceForm): Promise<string> {
  await getCohort(db, cohortId)
  const id = newId()
  const topics = form.topics.map(topic => ({ ...topic, id: newId() }))
  const wishes = form.kind === 'wishes' ? Math.min(form.wishes, topics.length) : 1
  await db
    .insert(choices)
    .values({ id, cohortId, title: form.title, kind: form.kind, wishes, topics, code: newToken() })
  return id
}

export async function listChoices(db: Database, cohortId: string): Promise<Choice[]> {
  return db.select().from(choices).where(eq(choices.cohortId, cohortId)).orderBy(desc(choices.createdAt))
}

/** Throws not-found. */
export async function getChoice(db: Database, choiceId: string): Promise<Choice> {
  const [choice] = await db.select().from(choices).where(eq(choices.id, choiceId))
  if (!choice) throw notFound('choice')
  return choice
}

/** The choice a participant's link leads to. Throws not-found: a link says nothing about why it does not open. */
export async function choiceByCode(db: Database, code: string): Promise<Choice> {
  const [choice] = await db.select().from(choices).where(eq(choices.code, code))
  if (!choice) throw notFound('page')
  return choice
}

/** What everybody chose, in the order they did; names taken without a choice yet are among them. */
export async function answersOf(
  db: Database,
  choiceId: string,
): Promise<(ChoiceAnswer & { held: boolean })[]> {
  const rows = await db
    .select()
    .from(choiceAnswers)
    .where(eq(choiceAnswers.choiceId, choiceId))
    .orderBy(asc(choiceAnswers.at))
  return rows.map(({ personId, wishes, at, tokenHash }) => {
    return { personId, wishes, at: at.getTime(), held: tokenHash !== null }
  })
}

/** How many places each topic has left, by topic id: a whole class asks for it every few seconds. */
export async function placesLeftIn(
  db: Database,
  { id, topics }: Pick<Choice, 'id' | 'topics'>,
): Promise<Map<string, number>> {
  const first = sql<string | null>`${choiceAnswers.wishes}->>0`
  const counts = await db
    .select({ topicId: first, taken: count() })
    .from(choiceAnswers)
    .where(eq(choiceAnswers.choiceId, id))
    .groupBy(first)
  return placesLeft(topics, new Map(counts.map(({ topicId, taken }) => [topicId, taken])))
}

/** Takes a name of the list for this browser; what a facilitator has written for it stays. Gives the cookie's secret. */
export async function takeChoiceName(
  db: Database,
  choice: Choice,
  personId: string,
): Promise<Result<{ token: string }, ChoiceRefusal>> {
  if (choice.phase === 'closed') return refused({ code: 'closed' })
  if (!(await isOnList(db, choice.cohortId, personId))) return refused({ code: 'no-such-name' })
  const token = newToken()
  return db.transaction(async transaction => {
    await locked(transaction, choice.id)
    const [held] = await transaction.select().from(choiceAnswers).where(answerOf(choice.id, personId))
    if (held?.tokenHash) return refused({ code: 'name-taken' })
    await transaction
      .insert(choiceAnswers)
      .values({ choiceId: choice.id, personId, tokenHash: tokenHash(token) })
      .onConflictDoUpdate({
        target: [choiceAnswers.choiceId, choiceAnswers.personId],
        set: { tokenHash: tokenHash(token) },
      })
    return done({ token })
  })
}

/** Who a browser's secret stands for in a choice; null when for nobody. */
export async function chooserOf(
  db: Database,
  choiceId: string,
  token: string | null,
): Promise<{ personId: string; wishes: string[] } | null> {
  if (!token) return null
  const [row] = await db
    .select()
    .from(choiceAnswers)
    .where(and(eq(choiceAnswers.choiceId, choiceId), eq(choiceAnswers.tokenHash, tokenHash(token))))
  return row ? { personId: row.personId, wishes: row.wishes } : null
}

/**
 * Writes down what somebody chose. Where the first to come is served, a topic without a place left is refused; `corrects`
 * is a facilitator, who may also do so after the choice was closed.
 */
export async function choose(
  db: Database,
  choiceId: string,
  personId: string,
  wishes: string[],
  { corrects }: { corrects: boolean },
): Promise<Result<null, ChoiceRefusal>> {
  return db.transaction(async transaction => {
    const choice = await locked(transaction, choiceId)
    if (choice.phase === 'closed' && !corrects) return refused({ code: 'closed' })
    if (!(await isOnList(transaction, choice.cohortId, personId))) return refused({ code: 'no-such-name' })
    if (wishes.length > choice.wishes) return refused({ code: 'too-many-wishes', most: choice.wishes })
    const topics = wishes.map(wish => choice.topics.find(topic => topic.id === wish))
    if (topics.some(topic => topic === undefined)) return refused({ code: 'no-such-topic' })
    const [first] = topics
    if (choice.kind === 'first-come' && first) {
      const left = await placesLeftIn(transaction, choice)
      const [mine] = await transaction.select().from(choiceAnswers).where(answerOf(choiceId, personId))
      if (left.get(first.id) === 0 && mine?.wishes[0] !== first.id)
        return refused({ code: 'topic-full', name: first.name })
    }
    await transaction
      .insert(choiceAnswers)
      .values({ choiceId, personId, wishes })
      .onConflictDoUpdate({
        target: [choiceAnswers.choiceId, choiceAnswers.personId],
        set: { wishes, at: new Date() },
      })
    return done(null)
  })
}

/** Lets somebody take their name again, on another device; their wishes stay. */
export async function freeName(db: Database, choiceId: string, personId: string): Promise<void> {
  await db.update(choiceAnswers).set({ tokenHash: null }).where(answerOf(choiceId, personId))
}

export async function setPhase(db: Database, choiceId: string, phase: Choice['phase']): Promise<void> {
  await db.update(choices).set({ phase }).where(eq(choices.id, choiceId))
}

/** So many people and topics are shared out at once; more are a task of the work thread. */
const AT_ONCE = 1000

/** How people stand by what they answered so far. */
export async function shareOut(
  { kind, topics }: Pick<Choice, 'kind' | 'topics'>,
  personIds: string[],
  answers: ChoiceAnswer[],
): Promise<ReturnType<typeof sharedOut>> {
  return personIds.length * topics.length <= AT_ONCE
    ? sharedOut(kind, topics, personIds, answers)
    : onWorkThread('share', { kind, topics, personIds, answers })
}

/** The groups that come of a choice as it stands: a group for each topic that anybody is in; null when they do not fit. */
export async function chosenGroups(db: Database, choiceId: string): Promise<Group[] | null> {
  const choice = await getChoice(db, choiceId)
  const [{ people }, answers] = await Promise.all([getCohort(db, choice.cohortId), answersOf(db, choiceId)])
  const ids = people.map(person => person.id)
  const shared = await shareOut(choice, ids, answers)
  if (!shared.ok) return null
  return choice.topics.map(({ id, name }, index) => {
    return { id, name, personIds: shared.allotment.groups[index]?.personIds ?? [] }
  })
}

/**
 * Keeps the answers to a quick question as a column of the cohort, named after it, so that groups can be mixed or matched
 * by it: of numbers when all answers are numbers, of text otherwise. Kept again, it takes in what was answered since; what
 * somebody who gave no answer has there by hand stays.
 */
export async function keepAsColumn(
  db: Database,
  choiceId: string,
): Promise<Result<{ column: string }, ColumnProblem>> {
  const choice = await getChoice(db, choiceId)
  const names = new Map(choice.topics.map(({ id, name }) => [id, name]))
  const values = Object.fromEntries(
    (await answersOf(db, choiceId)).flatMap(({ personId, wishes: [answer] }) =>
      answer === undefined ? [] : [[personId, names.get(answer) ?? '']],
    ),
  )
  const numbers = choice.topics.every(({ name }) => readNumber(name) !== undefined)
  const column = { name: columnNameOf(choice.title.slice(0, 60)), kind: numbers ? 'number' : 'text' } as const
  const kept = await fillColumn(db, choice.cohortId, column, values)
  return kept.ok ? done({ column: kept.value }) : kept
}

const answerOf = (choiceId: string, personId: string) =>
  and(eq(choiceAnswers.choiceId, choiceId), eq(choiceAnswers.personId, personId))

/** One answer at a time: two who take the last place at once must not both get it. */
async function locked(db: Database, choiceId: string): Promise<Choice> {
  const [choice] = await db.select().from(choices).where(eq(choices.id, choiceId)).for('update')
  if (!choice) throw notFound('choice')
  return choice
}
