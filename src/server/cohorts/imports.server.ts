/** Importing a class list into a cohort: what it would do, doing it, and taking the whole of it back. */
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { PastImport } from '~/contracts/imports'
import { readCsv } from '~/core/formats/csv'
import type { Matching } from '~/core/formats/people-headers'
import {
  type ImportedPerson,
  type ImportPlan,
  type ImportProblem,
  type ImportRow,
  planImport,
} from '~/core/formats/people-import'
import type { Database } from '../db/database.server'
import { type ChangedPerson, cohorts, imports, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'
import { getCohort, nextPosition } from './cohorts.server'

/** Says what importing a text would do, row by row; without a matching the headers decide. Changes nothing. */
export async function previewImport(
  db: Database,
  cohortId: string,
  text: string,
  matching?: Matching,
): Promise<ImportPlan> {
  const { people: listed, columns } = await getCohort(db, cohortId)
  return planImport(readCsv(text), listed, columns, matching)
}

/**
 * Adds and changes people as the plan for this text says, all or nothing, and gives the import's id.
 * The text is read again here: what is imported never depends on what a browser says the preview was.
 */
export async function importPeople(
  db: Database,
  cohortId: string,
  by: string,
  text: string,
  matching?: Matching,
): Promise<Result<string, ImportProblem>> {
  return db.transaction(async transaction => {
    const before = await getCohort(transaction, cohortId)
    const plan = await previewImport(transaction, cohortId, text, matching)
    if (!plan.ok) return refused(plan.problem)
    const addedIds = await addAll(transaction, cohortId, plan.rows)
    const listed = new Map(before.people.map(person => [person.id, person]))
    const changed = plan.rows.flatMap((row): ChangedPerson[] => {
      const person = row.outcome === 'changed' ? listed.get(row.personId) : undefined
      if (row.outcome !== 'changed' || !person) return []
      return [{ personId: row.personId, before: importedFields(person), after: importedFields(row.person) }]
    })
    await writePeople(
      transaction,
      changed.map(({ personId, after }) => ({ id: personId, ...after })),
    )
    const known = new Set(before.columns.map(column => column.name))
    const newColumns = plan.columns.map(column => column.name).filter(name => !known.has(name))
    await transaction.update(cohorts).set({ columns: plan.columns }).where(eq(cohorts.id, cohortId))
    const id = newId()
    await transaction.insert(imports).values({ id, cohortId, by, addedIds, changed, newColumns })
    return done(id)
  })
}

/** The latest imports into a cohort, newest first. */
export async function listImports(db: Database, cohortId: string, most = 5): Promise<PastImport[]> {
  const rows = await db
    .select()
    .from(imports)
    .where(eq(imports.cohortId, cohortId))
    .orderBy(desc(imports.at))
    .limit(most)
  return rows.map(({ id, at, by, addedIds, changed, takenBackAt }) => ({
    id,
    at,
    by,
    added: addedIds.length,
    changed: changed.length,
    takenBack: takenBackAt !== null,
  }))
}

/**
 * Takes an import back: those it added leave the list, and what it changed gets its earlier value, but for what
 * somebody has changed again since. Does nothing the second time. Throws not-found.
 */
export async function takeBackImport(db: Database, cohortId: string, importId: string): Promise<void> {
  await db.transaction(async transaction => {
    const [found] = await transaction
      .select()
      .from(imports)
      .where(and(eq(imports.id, importId), eq(imports.cohortId, cohortId)))
    if (!found) throw notFound('import')
    if (found.takenBackAt) return
    const takenBackAt = new Date()
    await transaction.update(imports).set({ takenBackAt }).where(eq(imports.id, importId))
    for (let start = 0; start < found.addedIds.length; start += 500) {
      await transaction
        .update(people)
        .set({ removedAt: takenBackAt })
        .where(and(inArray(people.id, found.addedIds.slice(start, start + 500)), isNull(people.removedAt)))
    }
    const cohort = await getCohort(transaction, cohortId)
    const listed = new Map(cohort.people.map(person => [person.id, person]))
    const back = found.changed.flatMap(({ personId, before, after }) => {
      const now = listed.get(personId)
      return now ? [{ id: personId, ...restored(now, before, after) }] : []
    })
    await writePeople(transaction, back)
    const { people: left, columns } = await getCohort(transaction, cohortId)
    const unused = (name: string) => found.newColumns.includes(name) && !left.some(each => each.columns[name])
    await transaction
      .update(cohorts)
      .set({ columns: columns.filter(column => !unused(column.name)) })
      .where(eq(cohorts.id, cohortId))
  })
}

async function addAll(db: Database, cohortId: string, rows: ImportRow[]): Promise<string[]> {
  const first = await nextPosition(db, cohortId)
  const added = rows.flatMap(row => (row.outcome === 'added' ? [row.person] : []))
  const values = added.map((person, place) => ({ id: newId(), cohortId, position: first + place, ...person }))
  for (let start = 0; start < values.length; start += 500) {
    await db.insert(people).values(values.slice(start, start + 500))
  }
  return values.map(each => each.id)
}

/** Many people in one statement: one by one, a whole list would take seconds. */
async function writePeople(db: Database, list: (ImportedPerson & { id: string })[]): Promise<void> {
  if (list.length === 0) return
  await db.execute(sql`
    update people set first_name = row."firstName", family_name = row."familyName", shown_as = row."shownAs",
      email = row.email, trained_to_lead = row."trainedToLead", columns = row.columns
    from jsonb_to_recordset(${JSON.stringify(list)}::jsonb) as row (
      id text, "firstName" text, "familyName" text, "shownAs" text, email text, "trainedToLead" boolean, columns jsonb)
    where people.id = row.id`)
}

const importedFields = (person: ImportedPerson): ImportedPerson => {
  const { firstName, familyName, shownAs, email, trainedToLead, columns } = person
  return { firstName, familyName, shownAs, email, trainedToLead, columns }
}

/** What the import set goes back to what it was; what has another value by now stays. */
function restored(now: ImportedPerson, before: ImportedPerson, after: ImportedPerson): ImportedPerson {
  const back = <Value>(at: Value, from: Value, to: Value): Value => (at === to ? from : at)
  const columns = { ...now.columns }
  for (const [name, value] of Object.entries(after.columns)) {
    if (now.columns[name] !== value) continue
    const earlier = before.columns[name]
    if (earlier === undefined) delete columns[name]
    else columns[name] = earlier
  }
  return {
    firstName: back(now.firstName, before.firstName, after.firstName),
    familyName: back(now.familyName, before.familyName, after.familyName),
    shownAs: back(now.shownAs, before.shownAs, after.shownAs),
    email: back(now.email, before.email, after.email),
    trainedToLead: back(now.trainedToLead, before.trainedToLead, after.trainedToLead),
    columns,
  }
}
