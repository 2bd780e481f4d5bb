import { jsonb, pgTable, text } from 'drizzle-orm/pg-core'
import type { Part, Prompt } from '~/core/boards/board'
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
