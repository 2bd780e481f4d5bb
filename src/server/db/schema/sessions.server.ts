import {
  type AnyPgColumn,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
} from 'drizzle-orm/pg-core'
import type { CallWay } from '~/core/live/call/ways'
import type { PlannedDuty } from '~/core/live/duties/duty'
import type { WhoWrites } from '~/core/live/rights/writing'
import type { RehearsalReport } from '~/core/rehearsal/report'
import type { Segment } from '~/core/schedule/running-order'
import { boards } from './boards.server'
import { cohorts } from './cohorts.server'
import { moment } from './columns.server'
import { groupings } from './groupings.server'

export const sessions = pgTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    title: text('title').notNull(),
    startsAt: moment('starts_at').notNull(),
    timeZone: text('time_zone').notNull(),
    /** Null while a session that was begun on the spot belongs to none. */
    cohortId: text('cohort_id').references(() => cohorts.id),
    /** Null where rooms are made in the session itself. */
    groupingId: text('grouping_id').references(() => groupings.id),
    /** Which round of the grouping the rooms are, from 0. */
    groupingRound: integer('grouping_round').notNull().default(0),
    /** The version of the grouping the session was opened with; null before. */
    groupingVersion: integer('grouping_version'),
    /** Null where rooms have nothing written to work on. */
    boardId: text('board_id').references(() => boards.id),
    /** Names of rooms by group id, where they differ from the group's own name. */
    roomNames: jsonb('room_names').$type<Record<string, string>>().notNull().default({}),
    /** The plan by segments; empty for one round, as the columns beside it say. */
    runningOrder: jsonb('running_order').$type<Segment[]>().notNull().default([]),
    /** How long the session may take, in minutes; null where nobody has said. */
    minutes: integer('minutes'),
    roomMinutes: integer('room_minutes').notNull(),
    graceSeconds: integer('grace_seconds').notNull(),
    waitingList: boolean('waiting_list').notNull(),
    /** How rooms talk aloud from its opening on. */
    callWay: text('call_way').$type<CallWay>().notNull().default('links'),
    /** Who writes in rooms, and whether people add pictures of their own, from its opening on. */
    writing: text('writing').$type<WhoWrites>().notNull().default('all'),
    mayAddPictures: boolean('may_add_pictures').notNull().default(true),
    /** What those at the front do from its opening on, by account; nothing is said of who does everything, in all rooms. */
    duties: jsonb('duties').$type<Record<string, PlannedDuty>>().notNull().default({}),
    joinCode: text('join_code').notNull().unique(),
    /** Kept beside the log so that lists need not fold every log: set in the same transaction as the event. */
    phase: text('phase').$type<'planned' | 'open' | 'ended'>().notNull().default('planned'),
    /** Since when it is being opened: its plan is not changed meanwhile. */
    openingSince: moment('opening_since'),
    reviewedAt: moment('reviewed_at'),
    removedAt: moment('removed_at'),
    /** The session whose plan is tried out in it; null for every real one. It belongs to no cohort, so that nothing of it is counted. */
    rehearsalOf: text('rehearsal_of').references((): AnyPgColumn => sessions.id, { onDelete: 'cascade' }),
    /** What came of the last rehearsal of this plan. */
    rehearsed: jsonb('rehearsed').$type<RehearsalReport>(),
  },
  table => [
    index('sessions_by_cohort').on(table.cohortId, table.startsAt),
    index('sessions_by_phase').on(table.phase, table.startsAt),
    index('sessions_by_start').on(table.startsAt),
    index('sessions_by_grouping').on(table.groupingId),
    index('sessions_by_board').on(table.boardId),
  ],
)

export const sessionEvents = pgTable(
  'session_events',
  {
    sessionId: text('session_id')
      .notNull()
      .references(() => sessions.id, { onDelete: 'cascade' }),
    seq: integer('seq').notNull(),
    at: moment('at').notNull(),
    actor: text('actor').notNull(),
    type: text('type').notNull(),
    /** In which version of the events' shapes it was written: `core/live/event-versions.ts`. */
    version: integer('version').notNull().default(1),
    payload: jsonb('payload').$type<unknown>().notNull(),
  },
  // Two writers racing for the same place in the log: one of them is refused by this key.
  table => [primaryKey({ columns: [table.sessionId, table.seq] })],
)

/** Who holds which place in a session. The token is the participant's cookie, the review token their own link. */
export const participants = pgTable(
  'participants',
  {
    id: text('id').primaryKey(),
    sessionId: text('session_id')
      .notNull()
      .references(() => sessions.id, { onDelete: 'cascade' }),
    tokenHash: text('token_hash').notNull().unique(),
    reviewToken: text('review_token').notNull().unique(),
  },
  table => [index('participants_by_session').on(table.sessionId)],
)
