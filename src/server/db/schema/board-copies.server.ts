import {
  bigint,
  bigserial,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
} from 'drizzle-orm/pg-core'
import type { Board } from '~/core/boards/board'
import { bytes, moment } from './columns.server'
import { files } from './material.server'
import { sessions } from './sessions.server'

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

/**
 * Every change to a board copy in the order it came; merged into one row when a copy is opened again. With a prompt and a
 * participant: a change to what that person writes there while it is hidden from the others.
 */
export const boardUpdates = pgTable(
  'board_updates',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    copyId: text('copy_id')
      .notNull()
      .references(() => boardCopies.id, { onDelete: 'cascade' }),
    promptId: text('prompt_id'),
    participantId: text('participant_id'),
    update: bytes('update').notNull(),
    /** How long each is of several changes that lie in it one after the other, in bytes; null where it is one. */
    lengths: jsonb('lengths').$type<number[]>(),
  },
  table => [index('updates_by_copy').on(table.copyId, table.id)],
)

/**
 * Whose each number is that pieces of a board are written under. A number belongs to whom it was handed out, or who was first
 * seen with it; nobody else can write under it.
 */
export const boardWriters = pgTable(
  'board_writers',
  {
    copyId: text('copy_id')
      .notNull()
      .references(() => boardCopies.id, { onDelete: 'cascade' }),
    number: bigint('number', { mode: 'number' }).notNull(),
    participantId: text('participant_id').notNull(),
  },
  table => [primaryKey({ columns: [table.copyId, table.number] })],
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

/**
 * Contributions of the last seconds as they came, a list for each write: put into the table of contributions many at once, since
 * a row for each person, piece and half minute is changed with every word somebody types.
 */
export const notedContributions = pgTable('noted_contributions', {
  id: bigserial('id', { mode: 'number' }).primaryKey(),
  /** Rows of `contributions`, by the names of its columns. */
  list: jsonb('list').$type<object[]>().notNull(),
})

/** Pictures that people added to a copy: whoever may read the copy may have them. */
export const copyFiles = pgTable(
  'copy_files',
  {
    copyId: text('copy_id')
      .notNull()
      .references(() => boardCopies.id, { onDelete: 'cascade' }),
    fileHash: text('file_hash')
      .notNull()
      .references(() => files.hash),
    participantId: text('participant_id').notNull(),
    addedAt: moment('added_at').notNull().defaultNow(),
  },
  table => [
    primaryKey({ columns: [table.copyId, table.fileHash] }),
    index('copy_files_hash').on(table.fileHash),
  ],
)

/**
 * What people wrote without a line and sent when the board was not theirs to write on any more. It lies beside the board and
 * never goes into it; `pieces` is what it says, as far as it can be read.
 */
export const lateContributions = pgTable(
  'late_contributions',
  {
    copyId: text('copy_id')
      .notNull()
      .references(() => boardCopies.id, { onDelete: 'cascade' }),
    participantId: text('participant_id').notNull(),
    /** Of the update, so that what is sent twice is kept once. */
    digest: text('digest').notNull(),
    /** Of what was written beside the board while that was hidden. */
    promptId: text('prompt_id'),
    update: bytes('update').notNull(),
    pieces: jsonb('pieces').$type<{ promptId: string; text: string }[]>().notNull(),
    at: moment('at').notNull(),
    /** Which facilitator put it on the board after all, by name; null while it lies beside it. */
    putInBy: text('put_in_by'),
  },
  table => [primaryKey({ columns: [table.copyId, table.participantId, table.digest] })],
)
