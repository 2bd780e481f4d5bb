/** The free columns of a cohort. */
import { and, eq, isNull, sql } from 'drizzle-orm'
import type { ColumnForm } from '~/contracts/forms/cohorts'
import { type Column, columnValue, MOST_COLUMNS } from '~/core/people/columns'
import { fullName } from '~/core/people/shown-name'
import type { Database } from '../db/database.server'
import { cohorts, people } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { getCohort } from './cohorts.server'

export type ColumnProblem =
  | { code: 'name-taken'; name: string }
  | { code: 'too-many'; most: number }
  /** `names` are some of the people whose values do not fit the kind, `count` how many there are. */
  | { code: 'values-do-not-fit'; kind: Column['kind']; names: string[]; count: number }

/** Adds a column without values. */
export async function addColumn(
  db: Database,
  cohortId: string,
  form: ColumnForm,
): Promise<Result<null, ColumnProblem>> {
  const { columns } = await getCohort(db, cohortId)
  if (isTaken(columns, form.name)) return refused({ code: 'name-taken', name: form.name })
  if (columns.length >= MOST_COLUMNS) return refused({ code: 'too-many', most: MOST_COLUMNS })
  await keep(db, cohortId, [...columns, form])
  return done(null)
}

/**
 * Renames a column or changes its kind, bringing the values into the kind's form. A kind that some values do not fit
 * is refused, so that none is lost. Throws not-found.
 */
export async function changeColumn(
  db: Database,
  cohortId: string,
  name: string,
  form: ColumnForm,
): Promise<Result<null, ColumnProblem>> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    if (!cohort.columns.some(column => column.name === name)) throw notFound('column')
    const others = cohort.columns.filter(column => column.name !== name)
    if (isTaken(others, form.name)) return refused({ code: 'name-taken', name: form.name })
    const values = cohort.people.map(person => ({
      person,
      value: columnValue(form.kind, person.columns[name] ?? ''),
    }))
    const unfit = values.filter(({ value }) => value === undefined).map(({ person }) => fullName(person))
    if (unfit.length > 0) {
      const { kind } = form
      return refused({ code: 'values-do-not-fit', kind, names: unfit.slice(0, 3), count: unfit.length })
    }
    for (const { person, value } of values) {
      if (value === (person.columns[name] ?? '') || value === undefined) continue
      await transaction
        .update(people)
        .set({ columns: { ...person.columns, [name]: value } })
        .where(eq(people.id, person.id))
    }
    if (name !== form.name) await renameValues(transaction, cohortId, name, form.name)
    await keep(
      transaction,
      cohortId,
      cohort.columns.map(column => (column.name === name ? form : column)),
    )
    return done(null)
  })
}

/** Takes a column away with its values, of people taken off the list too, and gives them for putting it back. */
export async function removeColumn(
  db: Database,
  cohortId: string,
  name: string,
): Promise<{ column: Column; values: Record<string, string> }> {
  return db.transaction(async transaction => {
    const cohort = await getCohort(transaction, cohortId)
    const column = cohort.columns.find(each => each.name === name)
    if (!column) throw notFound('column')
    const values = cohort.people.flatMap(person => {
      const value = person.columns[name]
      return value ? [[person.id, value] as const] : []
    })
    await transaction
      .update(people)
      .set({ columns: sql`${people.columns} - ${name}::text` })
      .where(eq(people.cohortId, cohortId))
    await keep(
      transaction,
      cohortId,
      cohort.columns.filter(each => each.name !== name),
    )
    return { column, values: Object.fromEntries(values) }
  })
}

/** Puts a column back that was taken away, with the values of those still on the list. */
export async function restoreColumn(
  db: Database,
  cohortId: string,
  { column, values }: { column: Column; values: Record<string, string> },
): Promise<Result<null, ColumnProblem>> {
  return db.transaction(async transaction => {
    const added = await addColumn(transaction, cohortId, column)
    if (!added.ok) return added
    for (const [personId, text] of Object.entries(values)) {
      const value = columnValue(column.kind, text)
      if (value === undefined) continue
      await transaction
        .update(people)
        .set({ columns: sql`${people.columns} || jsonb_build_object(${column.name}::text, ${value}::text)` })
        .where(and(eq(people.id, personId), eq(people.cohortId, cohortId), isNull(people.removedAt)))
    }
    return done(null)
  })
}

const isTaken = (columns: readonly Column[], name: string): boolean =>
  columns.some(column => column.name.toLowerCase() === name.toLowerCase())

const keep = (db: Database, cohortId: string, columns: Column[]) =>
  db.update(cohorts).set({ columns }).where(eq(cohorts.id, cohortId))

const renameValues = (db: Database, cohortId: string, from: string, to: string) =>
  db
    .update(people)
    .set({
      columns: sql`(${people.columns} - ${from}::text) || jsonb_build_object(${to}::text, ${people.columns}->${from}::text)`,
    })
    .where(and(eq(people.cohortId, cohortId), sql`jsonb_exists(${people.columns}, ${from}::text)`))
