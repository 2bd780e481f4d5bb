import { index, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'
import type { AskedKind, ChoiceTopic } from '~/core/choices/asked'
import { cohorts, people } from './cohorts.server'
import { moment } from './columns.server'

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
