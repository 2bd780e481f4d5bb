/** The tables. A live session is only its `session_events`; everything shown of it is a fold of them. */
import { sql } from 'drizzle-orm'
import {
  bigserial,
  boolean,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
} from 'drizzle-orm/pg-core'
import type { GroupingContent } from '~/contracts/grouping'
import type { Board, Prompt } from '~/core/boards/board'
import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'
import type { ImportedPerson } from '~/core/formats/people-import'
import type { Group } from '~/core/grouping/grouping'
import type { Role } from '~/core/grouping/roles'
import { NO_ROTATION, type Rotation } from '~/core/grouping/rotation'
import type { Aim, Rule } from '~/core/grouping/rules'
import type { Column } from '~/core/people/columns'
import type { Presence } from '~/core/people/presence'

const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' })
const moment = (name: string) => timestamp(name, { withTimezone: true })

/** Somebody an import changed, as they stood before and after it. */
export interface ChangedPerson {
  personId: string
  before: ImportedPerson
  after: ImportedPerson
}

export const accounts = pgTable('accounts', {
  id: text('id').primaryKey(),
  email: text('email').notNull().unique(),
  displayName: text('display_name').notNull(),
  passwordHash: text('password_hash').notNull(),
  createdAt: moment('created_at').notNull().defaultNow(),
  removedAt: moment('removed_at'),
})

/** Signed-in browsers. Only a hash of the token is kept, so a copy of the data signs nobody in. */
export const signIns = pgTable(
  'sign_ins',
  {
    tokenHash: text('token_hash').primaryKey(),
    accountId: text('account_id')
      .notNull()
      .references(() => accounts.id, { onDelete: 'cascade' }),
    expiresAt: moment('expires_at').notNull(),
  },
  table => [
    index('sign_ins_by_account').on(table.accountId),
    index('sign_ins_by_expiry').on(table.expiresAt),
  ],
)

/** Browsers that have been signed in to an account before: others' wrong passwords do not keep them out. */
export const knownBrowsers = pgTable(
  'known_browsers',
  {
    tokenHash: text('token_hash').notNull(),
    accountId: text('account_id')
      .notNull()
      .references(() => accounts.id, { onDelete: 'cascade' }),
  },
  table => [
    primaryKey({ columns: [table.tokenHash, table.accountId] }),
    index('known_browsers_by_account').on(table.accountId),
  ],
)

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

/** Topics that people of a cohort choose from, before groups are made of what they chose. */
export const choices = pgTable(
  'choices',
  {
    id: text('id').primaryKey(),
    cohortId: text('cohort_id')
      .notNull()
      .references(() => cohorts.id, { onDelete: 'cascade' }),
    title: text('title').notNull(),
    kind: text('kind').$type<AskedKind>().notNull(),
    /** How many wishes each person may rank; 1 where the first to come is served. */
    wishes: integer('wishes').notNull(),
    topics: jsonb('topics').$type<ChoiceTopic[]>().notNull(),
    phase: text('phase').$type<'open' | 'closed'>().notNull().default('open'),
    /** What the link for participants carries. */
    code: text('code').notNull().unique(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  table => [index('choices_by_cohort').on(table.cohortId)],
)

export const choiceAnswers = pgTable(
  'choice_answers',
  {
    choiceId: text('choice_id')
      .notNull()
      .references(() => choices.id, { onDelete: 'cascade' }),
    personId: text('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    /** Hash of the secret in the browser that took this name; null when a facilitator wrote the answer. */
    tokenHash: text('token_hash'),
    /** Topic ids, the dearest first. */
    wishes: jsonb('wishes').$type<string[]>().notNull().default([]),
    /** When the wishes were given: the first to come is served first. */
    at: moment('at').notNull().defaultNow(),
  },
  table => [
    primaryKey({ columns: [table.choiceId, table.personId] }),
    index('choice_answers_by_person').on(table.personId),
  ],
)

export const boards = pgTable('boards', {
  id: text('id').primaryKey(),
  title: text('title').notNull(),
  steps: jsonb('steps').$type<string[]>().notNull(),
  prompts: jsonb('prompts').$type<Prompt[]>().notNull(),
  savedAt: moment('saved_at').notNull().defaultNow(),
  removedAt: moment('removed_at'),
})

export const sessions = pgTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    title: text('title').notNull(),
    startsAt: moment('starts_at').notNull(),
    timeZone: text('time_zone').notNull(),
    cohortId: text('cohort_id')
      .notNull()
      .references(() => cohorts.id),
    groupingId: text('grouping_id')
      .notNull()
      .references(() => groupings.id),
    /** Which round of the grouping the rooms are, from 0. */
    groupingRound: integer('grouping_round').notNull().default(0),
    /** The version of the grouping the session was opened with; null before. */
    groupingVersion: integer('grouping_version'),
    boardId: text('board_id')
      .notNull()
      .references(() => boards.id),
    /** Names of rooms by group id, where they differ from the group's own name. */
    roomNames: jsonb('room_names').$type<Record<string, string>>().notNull().default({}),
    roomMinutes: integer('room_minutes').notNull(),
    graceSeconds: integer('grace_seconds').notNull(),
    waitingList: boolean('waiting_list').notNull(),
    joinCode: text('join_code').notNull().unique(),
    /** Kept beside the log so that lists need not fold every log: set in the same transaction as the event. */
    phase: text('phase').$type<'planned' | 'open' | 'ended'>().notNull().default('planned'),
    reviewedAt: moment('reviewed_at'),
    removedAt: moment('removed_at'),
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

export const boardCopies = pgTable(
  'board_copies',
  {
    id: text('id').primaryKey(),
    sessionId: text('session_id')
      .notNull()
      .references(() => sessions.id, { onDelete: 'cascade' }),
    roomId: text('room_id').notNull(),
    board: jsonb('board').$type<Board>().notNull(),
  },
  table => [unique('one_copy_a_room').on(table.sessionId, table.roomId)],
)

/** Every change to a board copy in the order it came; merged into one row when a copy is opened again. */
export const boardUpdates = pgTable(
  'board_updates',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    copyId: text('copy_id')
      .notNull()
      .references(() => boardCopies.id, { onDelete: 'cascade' }),
    update: bytes('update').notNull(),
  },
  table => [index('updates_by_copy').on(table.copyId, table.id)],
)

/** Who worked on which piece of a board in which half minute, and what it said then. Written by the server only. */
export const contributions = pgTable(
  'contributions',
  {
    copyId: text('copy_id')
      .notNull()
      .references(() => boardCopies.id, { onDelete: 'cascade' }),
    promptId: text('prompt_id').notNull(),
    entryId: text('entry_id').notNull(),
    participantId: text('participant_id').notNull(),
    halfMinute: moment('half_minute').notNull(),
    edits: integer('edits').notNull(),
    text: text('text').notNull(),
    at: moment('at').notNull(),
  },
  table => [
    primaryKey({
      columns: [table.copyId, table.promptId, table.entryId, table.participantId, table.halfMinute],
    }),
    index('contributions_by_participant').on(table.participantId),
  ],
)

/** SQL for the present moment by the database's clock. */
export const now = sql`now()`
