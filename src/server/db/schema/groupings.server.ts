import { index, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'
import type { GroupingContent } from '~/contracts/grouping'
import type { Group } from '~/core/grouping/grouping'
import type { Role } from '~/core/grouping/roles'
import { NO_ROTATION, type Rotation } from '~/core/grouping/rotation'
import type { Aim } from '~/core/grouping/rules'
import { cohorts } from './cohorts.server'
import { moment } from './columns.server'

export const groupings = pgTable(
  'groupings',
  {
    id: text('id').primaryKey(),
    cohortId: text('cohort_id')
      .notNull()
      .references(() => cohorts.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    groups: jsonb('groups').$type<Group[]>().notNull(),
    aims: jsonb('aims').$type<Aim[]>().notNull().default([]),
    /** Rules of the cohort that this grouping does not keep, and people who stay where they are when it is made again. */
    offRuleIds: jsonb('off_rule_ids').$type<string[]>().notNull().default([]),
    heldIds: jsonb('held_ids').$type<string[]>().notNull().default([]),
    /** The groups of the second round and those after it; empty for a grouping of one round. */
    laterRounds: jsonb('later_rounds').$type<Group[][]>().notNull().default([]),
    /** Who has which role in the first round, by person id. */
    roles: jsonb('roles').$type<Record<string, Role>[]>().notNull().default([]),
    /** Stations that the groups, as teams, go round; empty when they do not. */
    rotation: jsonb('rotation').$type<Rotation>().notNull().default(NO_ROTATION),
    /** Counts saves; a save that does not start from the latest one is refused. */
    version: integer('version').notNull().default(1),
    savedBy: text('saved_by').notNull(),
    savedAt: moment('saved_at').notNull().defaultNow(),
    removedAt: moment('removed_at'),
  },
  table => [index('groupings_by_cohort').on(table.cohortId)],
)

/** What each save of a grouping said: nothing that was saved is ever written over. */
export const groupingVersions = pgTable(
  'grouping_versions',
  {
    groupingId: text('grouping_id')
      .notNull()
      .references(() => groupings.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    content: jsonb('content').$type<GroupingContent>().notNull(),
    savedBy: text('saved_by').notNull(),
    savedAt: moment('saved_at').notNull().defaultNow(),
  },
  table => [primaryKey({ columns: [table.groupingId, table.version] })],
)
