import { integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'
import type { Board, Part, Prompt } from '~/core/boards/board'
import { moment } from './columns.server'

export const boards = pgTable('boards', {
  id: text('id').primaryKey(),
  title: text('title').notNull(),
  steps: jsonb('steps').$type<string[]>().notNull(),
  prompts: jsonb('prompts').$type<Prompt[]>().notNull(),
  parts: jsonb('parts').$type<Part[]>().notNull().default([]),
  savedAt: moment('saved_at').notNull().defaultNow(),
  removedAt: moment('removed_at'),
})

/** What a board said as it was made: a version for everybody who changed it, a new one after a while. */
export const boardVersions = pgTable(
  'board_versions',
  {
    boardId: text('board_id')
      .notNull()
      .references(() => boards.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    content: jsonb('content').$type<Board>().notNull(),
    savedBy: text('saved_by').notNull(),
    /** When it was last changed. */
    savedAt: moment('saved_at').notNull().defaultNow(),
  },
  table => [primaryKey({ columns: [table.boardId, table.version] })],
)
