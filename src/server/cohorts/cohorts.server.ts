import { and, asc, count, eq, inArray, isNotNull, isNull, max } from 'drizzle-orm'
import type { PersonForm } from '~/contracts/forms'
import { type ImportPreview, type ImportRow, previewPeople } from '~/core/formats/people-csv'
import { fullName, plainName, shownNames } from '~/core/people/shown-name'
import type { Database } from '../db/database.server'
import { cohorts, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'

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
  people: ListedPerson[]
}

export async function listCohorts(db: Database): Promise<CohortSummary[]> {
  return db
    .select({ id: cohorts.id, name: cohorts.name, people: count(people.id) })
    .from(cohorts)
    .leftJoin(people, and(eq(people.cohortId, cohorts.id), isNull(people.removedAt)))
    .groupBy(cohorts.id)
    .orderBy(asc(cohorts.createdAt), asc(cohorts.id))
}

/** A cohort with the people on its list, in list order. Throws not-found. */
export async function getCohort(db: Database, cohortId: string): Promise<Cohort> {
  const [cohort] = await db.select().from(cohorts).where(eq(cohorts.id, cohortId))
  if (!cohort) throw notFound('cohort')
  const rows = await db
    .select()
    .from(people)
    .where(and(eq(people.cohortId, cohortId), isNull(people.removedAt)))
    .orderBy(asc(people.position), asc(people.id))
  const shown = shownNames(rows)
  const listed = rows.map(({ id, firstName, familyName, shownAs, email, trainedToLead, columns }) => {
    const shownName = shown.get(id) ?? firstName
    return { id, firstName, familyName, shownAs, shownName, email, trainedToLead, columns }
  })
  return { id: cohort.id, name: cohort.name, people: listed }
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

export type PersonProblem = { code: 'already-listed'; name: string }

/** Adds somebody at the end of the list; refused when somebody with the same whole name is on it. */
export async function addPerson(
  db: Database,
  cohortId: string,
  form: PersonForm,
): Promise<Result<string, PersonProblem>> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    if (isListed(cohort, form)) return refused({ code: 'already-listed', name: fullName(form) })
    const id = newId()
    const position = await nextPosition(transaction, cohortId)
    await transaction.insert(people).values({ ...form, email: form.email ?? '', id, cohortId, position })
    return done(id)
  })
}

/** Corrects somebody's name, shown name and email; the same refusal as for adding. */
export async function changePerson(
  db: Database,
  cohortId: string,
  personId: string,
  form: PersonForm,
): Promise<Result<null, PersonProblem>> {
  const cohort = await getCohort(db, cohortId)
  if (isListed({ ...cohort, people: cohort.people.filter(person => person.id !== personId) }, form)) {
    return refused({ code: 'already-listed', name: fullName(form) })
  }
  const changed = await db
    .update(people)
    .set({ ...form, email: form.email ?? '' })
    .where(and(eq(people.id, personId), eq(people.cohortId, cohortId)))
    .returning({ id: people.id })
  if (changed.length === 0) throw notFound('person')
  return done(null)
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

/** Says what importing a text would do, row by row. Changes nothing. */
export async function previewImport(db: Database, cohortId: string, text: string): Promise<ImportPreview> {
  const cohort = await getCohort(db, cohortId)
  return previewPeople(text, cohort.people.map(fullName))
}

/**
 * Adds the good rows of a text to the list and gives the new people's ids, so that the import can be taken back.
 * The text is read again here: what is imported never depends on what a browser says the preview was.
 */
export async function importPeople(
  db: Database,
  cohortId: string,
  text: string,
): Promise<Result<string[], Extract<ImportPreview, { ok: false }>['problem']>> {
  return db.transaction(async transaction => {
    const preview = await previewImport(transaction, cohortId, text)
    if (!preview.ok) return refused(preview.problem)
    const good = preview.rows.filter((row): row is Extract<ImportRow, { ok: true }> => row.ok)
    const first = await nextPosition(transaction, cohortId)
    const rows = good.map((row, place) => ({ id: newId(), cohortId, position: first + place, ...row.person }))
    for (let start = 0; start < rows.length; start += 500) {
      await transaction.insert(people).values(rows.slice(start, start + 500))
    }
    return done(rows.map(row => row.id))
  })
}

function isListed(cohort: Cohort, person: { firstName: string; familyName: string }): boolean {
  const name = plainName(fullName(person))
  return cohort.people.some(listed => plainName(fullName(listed)) === name)
}

async function nextPosition(db: Database, cohortId: string): Promise<number> {
  const [row] = await db
    .select({ last: max(people.position) })
    .from(people)
    .where(eq(people.cohortId, cohortId))
  return (row?.last ?? 0) + 1
}
