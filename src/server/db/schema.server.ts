/** The tables. A live session is only its `session_events`; everything shown of it is a fold of them. */
import { sql } from 'drizzle-orm'

export * from './schema/accounts.server'
export * from './schema/board-copies.server'
export * from './schema/boards.server'
export * from './schema/choices.server'
export * from './schema/cohorts.server'
export * from './schema/groupings.server'
export * from './schema/material.server'
export * from './schema/phrases.server'
export * from './schema/sessions.server'

/** SQL for the present moment by the database's clock. */
export const now = sql`now()`
