import { boolean, index, integer, jsonb, pgTable, text } from 'drizzle-orm/pg-core'
import type { ImportedPerson } from '~/core/formats/people-import'
import type { Rule } from '~/core/grouping/rules'
import type { Column, ColumnKind } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'
import { moment } from './columns.server'

/** Somebody an import changed, as they stood before and after it. */
export interface ChangedPerson {
  personId: string
  before: ImportedPerson
  after: ImportedPerson
}

export const cohorts = pgTable('cohorts', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** Free columns by name and kind, in the order they are shown; values stand with the people. */
  columns: jsonb('columns').$type<Column[]>().notNull().default([]),
  /** Who was ticked as present on one day, the latest on which anybody was. */
  presence: jsonb('presence').$type<Presence>(),
  /** What groupings of this cohort must keep, unless a grouping switches a rule off. */
  rules: jsonb('rules').$type<Rule[]>().notNull().default([]),
  createdAt: moment('created_at').notNull().defaultNow(),
  /** Set when removed: it is shown nowhere, and can be put back. So it is wherever this column is met. */
  removedAt: moment('removed_at'),
})

export const people = pgTable(
  'people',
  {
    id: text('id').primaryKey(),
    cohortId: text('cohort_id')
      .notNull()
      .references(() => cohorts.id, { onDelete: 'cascade' }),
    firstName: text('first_name').notNull(),
    familyName: text('family_name').notNull().default(''),
    shownAs: text('shown_as').notNull().default(''),
    email: text('email').notNull().default(''),
    trainedToLead: boolean('trained_to_lead').notNull().default(false),
    columns: jsonb('columns').$type<Record<string, string>>().notNull().default({}),
    position: integer('position').notNull(),
    /** Set when taken off the list; the row stays so that it can be put back and past sessions keep their names. */
    removedAt: moment('removed_at'),
  },
  table => [index('people_by_cohort').on(table.cohortId)],
)

/** Columns that were taken away, with what stood in them: what putting one back needs. */
export const removedColumns = pgTable(
  'removed_columns',
  {
    id: text('id').primaryKey(),
    cohortId: text('cohort_id')
      .notNull()
      .references(() => cohorts.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    kind: text('kind').$type<ColumnKind>().notNull(),
    /** Where it stood among the others, from 0. */
    place: integer('place').notNull(),
    /** By the ids of the people, those taken off the list too. */
    values: jsonb('values').$type<Record<string, string>>().notNull(),
    removedAt: moment('removed_at').notNull().defaultNow(),
  },
  table => [index('removed_columns_by_cohort').on(table.cohortId, table.removedAt)],
)

/** Lists that were imported, with what is needed to take each back. */
export const imports = pgTable(
  'imports',
  {
    id: text('id').primaryKey(),
    cohortId: text('cohort_id')
      .notNull()
      .references(() => cohorts.id, { onDelete: 'cascade' }),
    at: moment('at').notNull().defaultNow(),
    by: text('by').notNull(),
    addedIds: jsonb('added_ids').$type<string[]>().notNull(),
    changed: jsonb('changed').$type<ChangedPerson[]>().notNull(),
    newColumns: jsonb('new_columns').$type<string[]>().notNull(),
    takenBackAt: moment('taken_back_at'),
  },
  table => [index('imports_by_cohort').on(table.cohortId, table.at)],
)
