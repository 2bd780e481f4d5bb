import { fork } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { sql } from 'drizzle-orm'
import { type Database, prepared } from './database.server'
import { FolderInUseError, lockFolder } from './lock.server'
import { cohorts, people } from './schema.server'
import { ThreadedDatabase } from './threaded-database.server'

const adapters: [string, () => Promise<{ client: PGlite; close: () => Promise<void> }>][] = [
  [
    'PGlite on this thread',
    async () => {
      const client = await PGlite.create()
      return { client, close: () => client.close() }
    },
  ],
  [
    'PGlite on a thread of its own',
    async () => {
      const client = await ThreadedDatabase.open(undefined)
      return { client: client as unknown as PGlite, close: () => client.close() }
    },
  ],
]

/** Both ways to hold the database do the same. */
describe.each(adapters)('%s', (_, open) => {
  let db: Database
  let close: () => Promise<void>
  beforeAll(async () => {
    const opened = await open()
    db = await prepared(opened.client)
    close = opened.close
  })
  afterAll(() => close())

  const names = async () => (await db.select().from(cohorts)).map(row => row.name).sort()
  beforeEach(() => db.delete(cohorts))

  test('values come back as they were', async () => {
    const createdAt = new Date('2026-11-03T19:00:00.123Z')
    await db.insert(cohorts).values({ id: 'c', name: "Zoë's; drop table", createdAt })
    await db
      .insert(people)
      .values({ id: 'p', cohortId: 'c', firstName: 'Ana', position: 1, columns: { 'first language': 'ß' } })
    expect(await db.select().from(cohorts)).toEqual([
      {
        id: 'c',
        name: "Zoë's; drop table",
        createdAt,
        columns: [],
        presence: null,
        rules: [],
        removedAt: null,
      },
    ])
    expect(await db.select().from(people)).toMatchObject([
      { columns: { 'first language': 'ß' }, trainedToLead: false, removedAt: null },
    ])
    const { rows } = (await db.execute(
      sql`select '\\x00ff'::bytea as bytes, 12::bigint as number`,
    )) as unknown as {
      rows: { bytes: Uint8Array; number: number }[]
    }
    expect([...(rows[0]?.bytes ?? [])]).toEqual([0, 255])
  })

  test('a transaction that throws leaves nothing', async () => {
    const failing = db.transaction(async transaction => {
      await transaction.insert(cohorts).values({ id: 'a', name: 'a' })
      throw new Error('no')
    })
    await expect(failing).rejects.toThrow('no')
    expect(await names()).toEqual([])
  })

  test('an error inside a transaction says its code, and the next transaction works', async () => {
    await db.insert(cohorts).values({ id: 'a', name: 'a' })
    const failing = db.transaction(transaction =>
      transaction.insert(cohorts).values({ id: 'a', name: 'again' }),
    )
    await expect(failing).rejects.toMatchObject({ cause: { code: '23505', constraint: 'cohorts_pkey' } })
    await db.transaction(transaction => transaction.insert(cohorts).values({ id: 'b', name: 'b' }))
    expect(await names()).toEqual(['a', 'b'])
  })

  test('transactions and single queries that overlap wait for each other', async () => {
    await Promise.all(
      Array.from({ length: 10 }, (_, index) =>
        db.transaction(async transaction => {
          const before = await transaction.select().from(cohorts)
          await transaction.insert(cohorts).values({ id: `t${index}`, name: `t${index}` })
          expect((await transaction.select().from(cohorts)).length).toBe(before.length + 1)
        }),
      ),
    )
    expect(await names()).toHaveLength(10)
  })
})

describe('one server for a data folder', () => {
  let folder: string
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'round-table-'))
  })
  afterEach(() => rmSync(folder, { recursive: true }))

  test('a second one is refused with a clear message, until the first is done', async () => {
    const unlock = await lockFolder(folder)
    await expect(lockFolder(folder)).rejects.toThrow(FolderInUseError)
    await expect(lockFolder(folder)).rejects.toThrow(folder)
    await unlock()
    await (await lockFolder(folder))()
  })

  test('servers with temporary folders of their own meet, and long names of folders are no obstacle', async () => {
    const before = process.env.TMPDIR
    const unlock = await lockFolder(folder)
    process.env.TMPDIR = mkdtempSync(join(folder, 'other-'))
    await expect(lockFolder(folder)).rejects.toThrow(FolderInUseError)
    if (before === undefined) delete process.env.TMPDIR
    else process.env.TMPDIR = before
    await unlock()
    const deep = join(folder, 'a folder with a long name'.repeat(6))
    const unlockDeep = await lockFolder(deep)
    await expect(lockFolder(deep)).rejects.toThrow(FolderInUseError)
    await unlockDeep()
  })

  test('what a killed server leaves behind is no obstacle', async () => {
    const script = join(folder, 'holder.mjs')
    const source = `
      import { lockFolder } from ${JSON.stringify(new URL('./lock.server.ts', import.meta.url).href)}
      await lockFolder(${JSON.stringify(folder)})
      process.send('held')
      setInterval(() => {}, 1000)`
    await import('node:fs/promises').then(files => files.writeFile(script, source))
    const holder = fork(script, { execArgv: ['--import', 'tsx'], cwd: process.cwd() })
    await once(holder, 'message')
    await expect(lockFolder(folder)).rejects.toThrow(FolderInUseError)
    holder.kill('SIGKILL')
    await once(holder, 'exit')
    await (await lockFolder(folder))()
  })
})
