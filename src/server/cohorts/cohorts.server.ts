import { setImmediate } from 'node:timers/promises'
import { and, asc, count, eq, inArray, isNotNull, isNull, max, sql } from 'drizzle-orm'
import type { PersonBefore, PersonForm } from '~/contracts/forms/cohorts'
import type { Rule } from '~/core/grouping/rules'
import { later } from '~/core/merging/merge'
import { type Column, canNameColumn, columnsOf, columnValue } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'
import { fullName, plainName } from '~/core/people/shown-name'
import type { Database } from '../db/database.server'
import { cohorts, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'
import { shownNamesOf } from './shown-names.server'

export interface CohortSummary {
  id: string
  name: string
  people: number
}

export interface ListedPerson {
  id: string
  firstName: string
  familyName: string
  shownAs: string
  /** What others read: worked out from the whole list. */
  shownName: string
  email: string
  trainedToLead: boolean
  columns: Record<string, string>
}

export interface Cohort {
  id: string
  name: string
  columns: Column[]
  presence: Presence | null
  rules: Rule[]
  people: ListedPerson[]
}

export async function listCohorts(db: Database): Promise<CohortSummary[]> {
  return db
    .select({ id: cohorts.id, name: cohorts.name, people: count(people.id) })
    .from(cohorts)
    .leftJoin(people, and(eq(people.cohortId, cohorts.id), isNull(people.removedAt)))
    .where(isNull(cohorts.removedAt))
    .groupBy(cohorts.id)
    .orderBy(asc(cohorts.createdAt), asc(cohorts.id))
}

/** A cohort with the people on its list, in list order. Throws not-found. */
export async function getCohort(db: Database, cohortId: string): Promise<Cohort> {
  const [cohort] = await db.select().from(cohorts).where(eq(cohorts.id, cohortId))
  if (!cohort) throw notFound('cohort')
  const rows = await listedPeople(db, cohortId)
  const shown = await shownNamesOf(rows)
  const listed = rows.map(({ id, firstName, familyName, shownAs, email, trainedToLead, columns }) => {
    const shownName = shown.get(id) ?? firstName
    return { id, firstName, familyName, shownAs, shownName, email, trainedToLead, columns: sound(columns) }
  })
  const { id, name, presence, rules } = cohort
  return { id, name, presence, rules, columns: columnsOf(cohort.columns, rows), people: listed }
}

/** Values as earlier versions took them in, without those of columns that cannot be: see `canNameColumn`. */
const sound = (columns: Record<string, string>): Record<string, string> =>
  Object.hasOwn(columns, '__proto__')
    ? Object.fromEntries(Object.entries(columns).filter(([name]) => canNameColumn(name)))
    : columns

/** Whether somebody stands on a cohort's list. */
export async function isOnList(db: Database, cohortId: string, personId: string): Promise<boolean> {
  const found = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.cohortId, cohortId), eq(people.id, personId), isNull(people.removedAt)))
  return found.length > 0
}

/** So many people come with a page; more are fetched once it stands. */
const FIRST_PEOPLE = 100

/** A cohort with the first people on its list, and how many there are. Throws not-found. */
export async function cohortBeginning(db: Database, cohortId: string): Promise<Cohort & { count: number }> {
  const cohort = await getCohort(db, cohortId)
  return { ...cohort, people: cohort.people.slice(0, FIRST_PEOPLE), count: cohort.people.length }
}

/** So many people are read at once: between two reads, everybody else's requests are looked after. */
const READ_AT_ONCE = 500

async function listedPeople(db: Database, cohortId: string): Promise<(typeof people.$inferSelect)[]> {
  const all: (typeof people.$inferSelect)[] = []
  for (;;) {
    const last = all.at(-1)
    const rows = await db
      .select()
      .from(people)
      .where(
        and(
          eq(people.cohortId, cohortId),
          isNull(people.removedAt),
          last && sql`(${people.position}, ${people.id}) > (${last.position}, ${last.id})`,
        ),
      )
      .orderBy(asc(people.position), asc(people.id))
      .limit(READ_AT_ONCE)
    all.push(...rows)
    if (rows.length < READ_AT_ONCE) return all
    await setImmediate()
  }
}

export async function createCohort(db: Database, name: string): Promise<string> {
  const id = newId()
  await db.insert(cohorts).values({ id, name })
  return id
}

export async function renameCohort(db: Database, cohortId: string, name: string): Promise<void> {
  const renamed = await db
    .update(cohorts)
    .set({ name })
    .where(eq(cohorts.id, cohortId))
    .returning({ id: cohorts.id })
  if (renamed.length === 0) throw notFound('cohort')
}

export type PersonProblem =
  | { code: 'already-listed'; name: string }
  | { code: 'not-of-kind'; index: number; kind: Column['kind'] }
  /** The column somebody's form has a new value for was renamed or taken away meanwhile. */
  | { code: 'column-gone'; index: number; name: string }
  /** They were taken off the list meanwhile. */
  | { code: 'off-the-list' }

/** Adds somebody at the end of the list; refused when somebody with the same whole name is on it. */
export async function addPerson(
  db: Database,
  cohortId: string,
  form: PersonForm,
): Promise<Result<string, PersonProblem>> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    if (isListed(cohort, form)) return refused({ code: 'already-listed', name: fullName(form) })
    const fields = personFields(cohort, form, {})
    if (!fields.ok) return fields
    const id = newId()
    const position = await nextPosition(transaction, cohortId)
    await transaction.insert(people).values({ ...fields.value, id, cohortId, position })
    return done(id)
  })
}

/**
 * Corrects somebody's name, shown name, email and free columns; the same refusals as for adding. What the form says as its page had
 * it, in `base`, is as others have made it meanwhile; without a base all of the form counts.
 */
export async function changePerson(
  db: Database,
  cohortId: string,
  personId: string,
  form: PersonForm,
  base: PersonBefore = null,
): Promise<Result<null, PersonProblem>> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    const person = cohort.people.find(each => each.id === personId)
    if (!person) return refused({ code: 'off-the-list' })
    const changed = base ? mergePerson(base, form, person) : form
    if (isListed({ ...cohort, people: cohort.people.filter(each => each.id !== personId) }, changed)) {
      return refused({ code: 'already-listed', name: fullName(changed) })
    }
    const fields = personFields(cohort, changed, person.columns)
    if (!fields.ok) return fields
    await transaction.update(people).set(fields.value).where(eq(people.id, personId))
    return done(null)
  })
}

/** Field by field: `mine` where it differs from what its page had, and what stands on the list otherwise. */
function mergePerson(base: NonNullable<PersonBefore>, mine: PersonForm, theirs: ListedPerson): PersonForm {
  const field = <Name extends 'firstName' | 'familyName' | 'shownAs' | 'email'>(name: Name) =>
    later(base[name], mine[name] ?? '', theirs[name])
  const had = new Map(base.values.map(({ column, value }) => [column, value]))
  return {
    firstName: field('firstName'),
    familyName: field('familyName'),
    shownAs: field('shownAs'),
    email: field('email'),
    values: mine.values?.map(({ column, value }) => ({
      column,
      value: later(had.get(column) ?? '', value, theirs.columns[column] ?? ''),
    })),
  }
}

/** A form's fields as they are kept; values of columns the form does not have stay as they are. */
function personFields(
  cohort: Cohort,
  { values = [], email, ...names }: PersonForm,
  before: Record<string, string>,
): Result<Omit<PersonForm, 'values'> & { email: string; columns: Record<string, string> }, PersonProblem> {
  const columns = { ...before }
  for (const [index, { column: name, value: text }] of values.entries()) {
    const kind = cohort.columns.find(column => column.name === name)?.kind
    if (!kind && text !== '') return refused({ code: 'column-gone', index, name })
    if (!kind) continue
    const value = columnValue(kind, text)
    if (value === undefined) return refused({ code: 'not-of-kind', index, kind })
    columns[name] = value
  }
  return done({ ...names, email: email ?? '', columns })
}

export async function setTrainedToLead(
  db: Database,
  cohortId: string,
  personId: string,
  trained: boolean,
): Promise<void> {
  await db
    .update(people)
    .set({ trainedToLead: trained })
    .where(and(eq(people.id, personId), eq(people.cohortId, cohortId)))
}

/** Takes people off the list. They stay known, so that it can be undone and past sessions keep their names. */
export async function removePeople(db: Database, cohortId: string, personIds: string[]): Promise<void> {
  if (personIds.length === 0) return
  await db
    .update(people)
    .set({ removedAt: new Date() })
    .where(and(eq(people.cohortId, cohortId), inArray(people.id, personIds), isNull(people.removedAt)))
}

export async function restorePeople(db: Database, cohortId: string, personIds: string[]): Promise<void> {
  if (personIds.length === 0) return
  await db
    .update(people)
    .set({ removedAt: null })
    .where(and(eq(people.cohortId, cohortId), inArray(people.id, personIds), isNotNull(people.removedAt)))
}

function isListed(cohort: Cohort, person: { firstName: string; familyName: string }): boolean {
  const name = plainName(fullName(person))
  return cohort.people.some(listed => plainName(fullName(listed)) === name)
}

/** The place after the last on the list, people taken off it included. */
export async function nextPosition(db: Database, cohortId: string): Promise<number> {
  const [row] = await db
    .select({ last: max(people.position) })
    .from(people)
    .where(eq(people.cohortId, cohortId))
  return (row?.last ?? 0) + 1
}
