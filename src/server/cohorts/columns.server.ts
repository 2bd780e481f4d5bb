/** The free columns of a cohort. */
import { and, desc, eq, notInArray, sql } from 'drizzle-orm'
import type { ColumnForm } from '~/contracts/forms/cohorts'
import { type Column, columnValue, MOST_COLUMNS } from '~/core/people/columns'
import { fullName } from '~/core/people/shown-name'
import type { Database } from '../db/database.server'
import { cohorts, people, removedColumns } from '../db/schema.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'
import { getCohort } from './cohorts.server'

export type ColumnProblem =
  | { code: 'name-taken'; name: string }
  | { code: 'too-many'; most: number }
  /** Somebody else has renamed it or taken it away. */
  | { code: 'gone'; name: string }
  /** Somebody else has put it back, or so many more were taken away since that it is kept no longer. */
  | { code: 'not-kept' }
  /** `names` are some of the people whose values do not fit the kind, `count` how many there are. */
  | { code: 'values-do-not-fit'; kind: Column['kind']; names: string[]; count: number }

/** Adds a column without values, as the last or where it says, counted from 0. */
export async function addColumn(
  db: Database,
  cohortId: string,
  { name, kind }: ColumnForm,
  place = MOST_COLUMNS,
): Promise<Result<null, ColumnProblem>> {
  return db.transaction(async transaction => {
    const { columns } = await getCohort(transaction, cohortId)
    if (isTaken(columns, name)) return refused({ code: 'name-taken', name })
    if (columns.length >= MOST_COLUMNS) return refused({ code: 'too-many', most: MOST_COLUMNS })
    await keep(transaction, cohortId, columns.toSpliced(place, 0, { name, kind }))
    return done(null)
  })
}

/**
 * Renames a column or changes its kind, bringing the values into the kind's form. A kind that some values do not fit
 * is refused, so that none is lost.
 */
export async function changeColumn(
  db: Database,
  cohortId: string,
  name: string,
  form: ColumnForm,
): Promise<Result<null, ColumnProblem>> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    if (!cohort.columns.some(column => column.name === name)) return refused({ code: 'gone', name })
    const others = cohort.columns.filter(column => column.name !== name)
    if (isTaken(others, form.name)) return refused({ code: 'name-taken', name: form.name })
    const values = cohort.people.map(person => {
      const before = person.columns[name] ?? ''
      return { person, before, value: columnValue(form.kind, before) }
    })
    const unfit = values.filter(({ value }) => value === undefined).map(({ person }) => fullName(person))
    if (unfit.length > 0) {
      const { kind } = form
      return refused({ code: 'values-do-not-fit', kind, names: unfit.slice(0, 3), count: unfit.length })
    }
    const other = values.flatMap(({ person, before, value }) =>
      value === undefined || value === before ? [] : [[person.id, value] as const],
    )
    await setValues(transaction, cohortId, name, Object.fromEntries(other))
    if (name !== form.name) await renameValues(transaction, cohortId, name, form.name)
    await keep(
      transaction,
      cohortId,
      cohort.columns.map(column => (column.name === name ? form : column)),
    )
    return done(null)
  })
}

/** So many columns that were taken away can be put back, of each cohort. */
const MOST_REMOVED = 10

/** Takes a column away with its values and gives the id for putting it back; null when it was gone already. */
export async function removeColumn(db: Database, cohortId: string, name: string): Promise<string | null> {
  return db.transaction(async transaction => {
    const { columns } = await getCohort(transaction, cohortId)
    const place = columns.findIndex(column => column.name === name)
    const column = columns[place]
    if (!column) return null
    const id = newId()
    await transaction
      .insert(removedColumns)
      .values({ id, cohortId, ...column, place, values: await valuesOf(transaction, cohortId, name) })
    await transaction
      .update(people)
      .set({ columns: sql`${people.columns} - ${name}::text` })
      .where(eq(people.cohortId, cohortId))
    await keep(transaction, cohortId, columns.toSpliced(place, 1))
    await forgetEarlier(transaction, cohortId)
    return id
  })
}

/** Puts a column back where it stood, with its values. */
export async function restoreColumn(
  db: Database,
  cohortId: string,
  id: string,
): Promise<Result<null, ColumnProblem>> {
  return db.transaction(async transaction => {
    const [column] = await transaction
      .delete(removedColumns)
      .where(and(eq(removedColumns.id, id), eq(removedColumns.cohortId, cohortId)))
      .returning()
    if (!column) return refused({ code: 'not-kept' })
    const added = await addColumn(transaction, cohortId, column, column.place)
    if (added.ok) await setValues(transaction, cohortId, column.name, column.values)
    else await transaction.insert(removedColumns).values(column)
    return added
  })
}

/**
 * Writes values by the ids of people into the column of that name, whatever its case, which is made where there is none; what
 * stands there of others stays. A column that not all of them fit holds text from then on. Gives the column's name.
 */
export async function fillColumn(
  db: Database,
  cohortId: string,
  { name, kind }: Column,
  values: Record<string, string>,
): Promise<Result<string, ColumnProblem>> {
  return db.transaction(async transaction => {
    const { columns } = await getCohort(transaction, cohortId)
    const there = columns.find(each => isCalled(each, name))
    const column = there ?? { name, kind }
    const fits = Object.values(values).every(value => columnValue(column.kind, value) !== undefined)
    const filled: Column = fits ? column : { ...column, kind: 'text' }
    if (!there) {
      const added = await addColumn(transaction, cohortId, filled)
      if (!added.ok) return added
    } else if (!fits) {
      await keep(
        transaction,
        cohortId,
        columns.map(each => (each === there ? filled : each)),
      )
    }
    const written = Object.entries(values).map(([id, value]) => [id, columnValue(filled.kind, value) ?? ''])
    await setValues(transaction, cohortId, filled.name, Object.fromEntries(written))
    return done(filled.name)
  })
}

/** What stands in a column, by the ids of the people, those taken off the list too. */
async function valuesOf(db: Database, cohortId: string, name: string): Promise<Record<string, string>> {
  const rows = await db
    .select({ id: people.id, value: sql<string>`${people.columns}->>${name}::text` })
    .from(people)
    .where(and(eq(people.cohortId, cohortId), sql`${people.columns}->>${name}::text <> ''`))
  return Object.fromEntries(rows.map(({ id, value }) => [id, value]))
}

async function forgetEarlier(db: Database, cohortId: string): Promise<void> {
  const kept = db
    .select({ id: removedColumns.id })
    .from(removedColumns)
    .where(eq(removedColumns.cohortId, cohortId))
    .orderBy(desc(removedColumns.removedAt))
    .limit(MOST_REMOVED)
  await db
    .delete(removedColumns)
    .where(and(eq(removedColumns.cohortId, cohortId), notInArray(removedColumns.id, kept)))
}

/** Sets values by the ids of the people, in one statement: one by one, those of a whole list would take seconds. */
const setValues = (db: Database, cohortId: string, name: string, values: Record<string, string>) =>
  db.execute(sql`
    update people set columns = columns || jsonb_build_object(${name}::text, given.value)
    from jsonb_each_text(${JSON.stringify(values)}::jsonb) as given (person, value)
    where people.id = given.person and people.cohort_id = ${cohortId}`)

const isTaken = (columns: readonly Column[], name: string): boolean =>
  columns.some(column => isCalled(column, name))

const isCalled = (column: Column, name: string): boolean => column.name.toLowerCase() === name.toLowerCase()

const keep = (db: Database, cohortId: string, columns: Column[]) =>
  db.update(cohorts).set({ columns }).where(eq(cohorts.id, cohortId))

const renameValues = (db: Database, cohortId: string, from: string, to: string) =>
  db
    .update(people)
    .set({
      columns: sql`(${people.columns} - ${from}::text) || jsonb_build_object(${to}::text, ${people.columns}->${from}::text)`,
    })
    .where(and(eq(people.cohortId, cohortId), sql`jsonb_exists(${people.columns}, ${from}::text)`))
