import { once } from 'node:events'
import { existsSync } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Worker } from 'node:worker_threads'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import pg from 'pg'
import type { ThreadRequest } from './database-thread.server'
import { checkFolder, damagedFolder } from './folder.server'
import { lockFolder } from './lock.server'
import * as schema from './schema.server'

/** A database, or a transaction on it: use-cases take either. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>

export interface OpenDatabase {
  db: Database
  close(): Promise<void>
}

/** A database on a thread of its own. */
export interface ThreadDatabase extends OpenDatabase {
  /** Resolves when the thread ends that nobody asked to: nothing can be read or written any more. */
  lost: Promise<void>
}

/**
 * Opens the database in a folder, on a thread of its own, brings its tables up to date, and keeps other servers out.
 * Throws FolderInUseError when another server uses the folder, and DataFolderError when it is not whole.
 */
export async function openDatabase(folder: string): Promise<ThreadDatabase> {
  let copyFiles: ((to: string) => Promise<void>) | undefined
  const opened = [
    await lockFolder(folder, async ({ copyTo }) => {
      if (!copyFiles) throw new Error('The database is just being opened. Try again in a moment.')
      await copyFiles(copyTo)
    }),
  ]
  const close = async () => {
    for (const undo of opened.splice(0).toReversed()) await undo()
  }
  try {
    const files = resolve(folder, 'postgres')
    checkFolder(files)
    const sockets = await socketFolder()
    opened.push(sockets.remove)
    const thread = await startThread({ folder: files, socket: sockets.socket })
    opened.push(thread.close)
    copyFiles = thread.copyFiles
    const connected = await connect(sockets.folder)
    opened.push(connected.close)
    return { db: connected.db, close, lost: thread.lost }
  } catch (error) {
    await close()
    throw error
  }
}

/** A new folder that only this user can enter, with the name a PostgreSQL server's socket has in it. */
export async function socketFolder(): Promise<{
  folder: string
  socket: string
  remove: () => Promise<void>
}> {
  const folder = await mkdtemp(join(tmpdir(), 'round-table-'))
  return {
    folder,
    socket: join(folder, `.s.PGSQL.${PORT}`),
    remove: () => rm(folder, { recursive: true, force: true }),
  }
}

const PORT = 5432

/**
 * One connection that is kept. PGlite has no more of them, and a pool gives one up after a query that failed: the next
 * would come while the server is not yet rid of the old one.
 */
class OneConnection extends pg.Pool {
  override query = (async (...asked: Parameters<pg.PoolClient['query']>) => {
    const client = await this.connect()
    try {
      return await client.query(...asked)
    } finally {
      client.release()
    }
  }) as pg.Pool['query']
}

/**
 * The database whose socket lies in a folder, its tables brought up to date. While a transaction holds the connection,
 * whatever is asked outside of it waits.
 */
export async function connect(socketsIn: string): Promise<OpenDatabase> {
  const pool = new OneConnection({
    host: socketsIn,
    port: PORT,
    user: 'postgres',
    database: 'postgres',
    max: 1,
    idleTimeoutMillis: 0,
  })
  // Whoever asks next is told; without a listener a lost connection would end the server.
  pool.on('error', () => undefined)
  const db = drizzle(pool, { schema })
  await migrate(db, { migrationsFolder: resolve('src/server/db/migrations') })
  return { db, close: () => pool.end() }
}

/** Starts the thread and waits until the database answers. */
async function startThread(workerData: { folder: string; socket: string }) {
  const thread = newThread(workerData)
  const exited = new Promise<void>(done => {
    thread.once('exit', () => done())
  })
  await Promise.race([
    once(thread, 'message'),
    exited.then(() => Promise.reject(new Error('The thread of the database ended.'))),
  ]).catch(error => Promise.reject(damagedFolder(workerData.folder, error)))
  // An error ends the thread, and is seen from that.
  thread.on('error', () => undefined)
  let asked = false
  /** One after another. */
  let copying = Promise.resolve<string | null>(null)
  return {
    lost: new Promise<void>(done => {
      exited.then(() => asked || done())
    }),
    /** Copies the database's files as they are at one moment into a folder that is not there yet. */
    copyFiles: (to: string): Promise<void> => {
      copying = copying.then(async () => {
        thread.postMessage({ copyTo: to } satisfies ThreadRequest)
        const ended = exited.then((): [unknown] => [{ copied: 'The database has ended.' }])
        const [{ copied }] = (await Promise.race([once(thread, 'message'), ended])) as [
          { copied: string | null },
        ]
        return copied
      })
      return copying.then(failure =>
        failure === null
          ? undefined
          : Promise.reject(new Error(`The database could not be copied: ${failure}`)),
      )
    },
    close: async () => {
      asked = true
      thread.postMessage('close' satisfies ThreadRequest)
      await exited
    },
  }
}

/** The built thread when there is one, otherwise its source, which needs tsx (development and tests). */
function newThread(workerData: { folder: string; socket: string }): Worker {
  const built = resolve('build/threads/database.js')
  if (process.env.NODE_ENV === 'production' && existsSync(built)) {
    return new Worker(pathToFileURL(built), { workerData })
  }
  const source = pathToFileURL(resolve('src/server/db/database-thread.server.ts')).href
  const start = `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(source)}) })`
  return new Worker(start, { eval: true, workerData })
}
