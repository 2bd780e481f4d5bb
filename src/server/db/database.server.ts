import { resolve } from 'node:path'
import type { PGlite } from '@electric-sql/pglite'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { lockFolder } from './lock.server'
import * as schema from './schema.server'
import { ThreadedDatabase } from './threaded-database.server'

/** A database, or a transaction on it: use-cases take either. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>

export interface OpenDatabase {
  db: Database
  close(): Promise<void>
}

/**
 * Opens the database in a folder, on a thread of its own, brings its tables up to date, and keeps other servers out.
 * Throws FolderInUseError when another server uses the folder.
 */
export async function openDatabase(folder: string): Promise<OpenDatabase> {
  const unlock = await lockFolder(folder)
  try {
    const client = await ThreadedDatabase.open(resolve(folder, 'postgres'))
    const db = await prepared(client as unknown as PGlite)
    return {
      db,
      close: async () => {
        await client.close()
        await unlock()
      },
    }
  } catch (error) {
    await unlock()
    throw error
  }
}

/** Applies the migrations and gives the database behind Drizzle; also used by tests with a PGlite in memory. */
export async function prepared(client: PGlite): Promise<Database> {
  const db = drizzle(client, { schema })
  await migrate(db, { migrationsFolder: resolve('src/server/db/migrations') })
  return db as unknown as Database
}
