import { jsonb, pgTable, text } from 'drizzle-orm/pg-core'
import type { Prompt } from '~/core/boards/board'
import { moment } from './columns.server'

export const boards = pgTable('boards', {
  id: text('id').primaryKey(),
  title: text('title').notNull(),
  steps: jsonb('steps').$type<string[]>().notNull(),
  prompts: jsonb('prompts').$type<Prompt[]>().notNull(),
  savedAt: moment('saved_at').notNull().defaultNow(),
  removedAt: moment('removed_at'),
})
