import { bigserial, index, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'
import { DEED_KINDS } from '~/contracts/deeds'
import { REMOVABLE_KINDS } from '~/contracts/removals'
import { moment } from './columns.server'

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
    /** What it calls itself, for its owner to know it by. */
    browser: text('browser').notNull().default(''),
    startedAt: moment('started_at').notNull().defaultNow(),
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

/** Links for one use by which whoever holds one chooses a new password; an account has one at the most. */
export const oneTimeLinks = pgTable('one_time_links', {
  accountId: text('account_id')
    .primaryKey()
    .references(() => accounts.id, { onDelete: 'cascade' }),
  tokenHash: text('token_hash').notNull().unique(),
  expiresAt: moment('expires_at').notNull(),
})

/** Who did what with accounts, people, exports and removals. Names are kept as they were: they outlive what they name. */
export const deeds = pgTable(
  'deeds',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: moment('at').notNull(),
    byName: text('by_name').notNull(),
    kind: text('kind', { enum: DEED_KINDS }).notNull(),
    thing: text('thing', { enum: REMOVABLE_KINDS }),
    about: text('about').notNull(),
    count: integer('count'),
  },
  table => [index('deeds_by_time').on(table.at)],
)
