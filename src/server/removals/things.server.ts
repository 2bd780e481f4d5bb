import { eq } from 'drizzle-orm'
import type { RemovableKind } from '~/contracts/removals'
import type { Database } from '../db/database.server'
import { accounts, boards, cohorts, groupings, materials, sessions } from '../db/schema.server'

/** What can be removed, and what each is called, by kind. */
export const THINGS = {
  cohort: { table: cohorts, name: cohorts.name },
  grouping: { table: groupings, name: groupings.name },
  board: { table: boards, name: boards.title },
  session: { table: sessions, name: sessions.title },
  material: { table: materials, name: materials.title },
  account: { table: accounts, name: accounts.displayName },
} as const

/** What something is called, removed or not; undefined for what never was. */
export async function nameOf(db: Database, kind: RemovableKind, id: string): Promise<string | undefined> {
  const { table, name } = THINGS[kind]
  const [found] = await db.select({ name }).from(table).where(eq(table.id, id))
  return found?.name
}
