/** Importing a class list into a cohort: what it would do, doing it, and taking the whole of it back. */
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { PastImport } from '~/contracts/imports'
import type { Matching } from '~/core/formats/people-headers'
import type { ImportedPerson, ImportPlan, ImportProblem, ImportRow } from '~/core/formats/people-import'
import type { Database } from '../db/database.server'
import { type ChangedPerson, cohorts, imports, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'
import { onWorkThread } from '../work/work-thread.server'
import { type Cohort, getCohort, nextPosition } from './cohorts.server'

/** A list as text, and how it is to be read: which class of several, and what each column is taken for. */
export interface ListText {
  text: string
  onlyClass?: string
  matching?: Matching
}

export type Outcome = ImportRow['outcome']

/** What importing would do: how many rows of each kind, and the first of each kind to be looked at. */
export type ImportPreview =
  | (Omit<Extract<ImportPlan, { ok: true }>, 'rows'> & { counts: Record<Outcome, number>; rows: ImportRow[] })
  | Extract<ImportPlan, { ok: false }>

/** So many rows of each kind are shown first, drawn on the server, and so many more each time they are asked for. */
const FIRST_ROWS = 25
const MORE_ROWS = 250

/** Says what importing a text would do; without a matching the headers decide. Changes nothing. */
export async function previewImport(db: Database, cohortId: string, list: ListText): Promise<ImportPreview> {
  const plan = await planFor(await getCohort(db, cohortId), list)
  if (!plan.ok) return plan
  const counts: Record<Outcome, number> = { added: 0, changed: 0, same: 0, refused: 0 }
  const rows = plan.rows.filter(row => ++counts[row.outcome] <= FIRST_ROWS)
  return { ...plan, counts, rows }
}

/** Further rows of one kind, from the `from`-th on. */
export async function moreRows(
  db: Database,
  cohortId: string,
  list: ListText,
  outcome: Outcome,
  from: number,
): Promise<ImportRow[]> {
  const plan = await planFor(await getCohort(db, cohortId), list)
  const rows = plan.ok ? plan.rows.filter(row => row.outcome === outcome) : []
  return rows.slice(from, from + MORE_ROWS)
}

const planFor = ({ people: listed, columns }: Cohort, list: ListText): Promise<ImportPlan> =>
  onWorkThread('plan', {
    text: list.text,
    onlyClass: list.onlyClass ?? '',
    listed,
    columns,
    matching: list.matching,
  })

/** How often a list that was changed while it was matched is matched again. */
const MOST_TRIES = 5

/**
 * Adds and changes people as the plan for this text says, all or nothing, and gives the import's id.
 * The text is read again here: what is imported never depends on what a browser says the preview was. The rows are
 * matched outside of the transaction, which would hold up everybody else's writing; it begins by asking whether the list
 * still is what they were matched with.
 */
export async function importPeople(
  db: Database,
  cohortId: string,
  by: string,
  list: ListText,
): Promise<Result<string, ImportProblem>> {
  for (let attempt = 1; ; attempt++) {
    const print = await fingerprint(db, cohortId)
    const before = await getCohort(db, cohortId)
    const plan = await planFor(before, list)
    if (!plan.ok) return refused(plan.problem)
    const id = await db.transaction(async transaction =>
      (await fingerprint(transaction, cohortId)) === print
        ? carryOut(transaction, before, plan, by)
        : undefined,
    )
    if (id !== undefined) return done(id)
    if (attempt === MOST_TRIES) throw new Error('The list was changed each time while rows were matched.')
  }
}

/** Differs as soon as anybody on the list, or its columns, have changed. */
async function fingerprint(db: Database, cohortId: string): Promise<string> {
  const [row] = await db
    .select({
      people: sql<string>`md5(coalesce(string_agg(${people.id} || ${people}.xmin::text, ',' order by ${people.id}), ''))`,
    })
    .from(people)
    .where(and(eq(people.cohortId, cohortId), isNull(people.removedAt)))
  const [cohort] = await db.select({ columns: cohorts.columns }).from(cohorts).where(eq(cohorts.id, cohortId))
  return `${row?.people} ${JSON.stringify(cohort?.columns)}`
}

async function carryOut(
  db: Database,
  before: Cohort,
  plan: Extract<ImportPlan, { ok: true }>,
  by: string,
): Promise<string> {
  const addedIds = await addAll(db, before.id, plan.rows)
  const listed = new Map(before.people.map(person => [person.id, person]))
  const changed = plan.rows.flatMap((row): ChangedPerson[] => {
    const person = row.outcome === 'changed' ? listed.get(row.personId) : undefined
    if (row.outcome !== 'changed' || !person) return []
    return [{ personId: row.personId, before: importedFields(person), after: importedFields(row.person) }]
  })
  await writePeople(
    db,
    changed.map(({ personId, after }) => ({ id: personId, ...after })),
  )
  const known = new Set(before.columns.map(column => column.name))
  const newColumns = plan.columns.map(column => column.name).filter(name => !known.has(name))
  await db.update(cohorts).set({ columns: plan.columns }).where(eq(cohorts.id, before.id))
  const id = newId()
  await db.insert(imports).values({ id, cohortId: before.id, by, addedIds, changed, newColumns })
  return id
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

/** The rows travel as one JSON text: putting thousands of parameters together would hold up the server's thread. */
async function addAll(db: Database, cohortId: string, rows: ImportRow[]): Promise<string[]> {
  const first = await nextPosition(db, cohortId)
  const added = rows.flatMap(row => (row.outcome === 'added' ? [row.person] : []))
  const values = added.map((person, index) => ({ id: newId(), position: first + index, ...person }))
  if (values.length === 0) return []
  await db.execute(sql`
    insert into people (id, cohort_id, position, first_name, family_name, shown_as, email, trained_to_lead, columns)
    select row.id, ${cohortId}, row.position, row."firstName", row."familyName", row."shownAs", row.email,
      row."trainedToLead", row.columns
    from jsonb_to_recordset(${JSON.stringify(values)}::jsonb) as row (
      id text, position integer, "firstName" text, "familyName" text, "shownAs" text, email text,
      "trainedToLead" boolean, columns jsonb)`)
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
