import { pgTable, text, unique } from 'drizzle-orm/pg-core'
import { accounts } from './accounts.server'

/** What a facilitator says often, in their own words. */
export const phrases = pgTable(
  'phrases',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id')
      .notNull()
      .references(() => accounts.id, { onDelete: 'cascade' }),
    text: text('text').notNull(),
  },
  table => [unique('phrases_once').on(table.accountId, table.text)],
)
