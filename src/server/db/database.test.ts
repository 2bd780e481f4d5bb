import { fork } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, existsSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { eq, sql } from 'drizzle-orm'
import { prepareFolder } from 'tests/fixtures/databases'
import { type Database, openDatabase, socketFolder } from './database.server'
import { checkFolder, DataFolderError } from './folder.server'
import { FolderInUseError, lockFolder } from './lock.server'
import { cohorts, people } from './schema.server'

describe('the database on its thread', () => {
  let folder: string
  let db: Database
  let close: () => Promise<void>
  const open = async () => {
    ;({ db, close } = await openDatabase(folder))
  }
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'round-table-'))
    await open()
  })
  afterAll(async () => {
    await close()
    rmSync(folder, { recursive: true })
  })

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
    const { rows } = (await db.execute(sql`select '\\x00ff'::bytea as bytes`)) as unknown as {
      rows: { bytes: Uint8Array }[]
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

  test('of many asked at the same moment each gets the answer or the error that is theirs', async () => {
    const ask = async (index: number): Promise<unknown> => {
      if (index % 3 === 0)
        return db
          .insert(cohorts)
          .values({ id: `c${index % 9}`, name: 'x' })
          .returning()
      if (index % 3 === 1) return db.execute(sql`select ${index}::int as number`)
      return db.execute(sql`select 1 / (${index}::int * 0)`)
    }
    const outcomes = await Promise.allSettled(Array.from({ length: 300 }, (_, index) => ask(index)))
    const inserted = outcomes.filter((outcome, index) => index % 3 === 0 && outcome.status === 'fulfilled')
    expect(inserted).toHaveLength(3)
    for (const [index, outcome] of outcomes.entries()) {
      if (index % 3 === 1) expect(outcome).toMatchObject({ value: { rows: [{ number: index }] } })
      if (index % 3 === 2) expect(outcome).toMatchObject({ reason: { cause: { code: '22012' } } })
      if (index % 3 === 0 && index >= 9)
        expect(outcome).toMatchObject({ reason: { cause: { code: '23505' } } })
    }
    expect(await names()).toHaveLength(3)
  })

  test('what is large goes in and out whole, several at the same moment', async () => {
    const names = Array.from({ length: 5 }, (_, index) => `${index}`.repeat(300_000))
    await Promise.all(names.map((name, index) => db.insert(cohorts).values({ id: `c${index}`, name })))
    const found = await Promise.all(
      names.map((_, index) => db.query.cohorts.findFirst({ where: eq(cohorts.id, `c${index}`) })),
    )
    expect(found.map(row => row?.name)).toEqual(names)
  })

  test('closed and opened again, all is there', async () => {
    await db.insert(cohorts).values({ id: 'a', name: 'a' })
    await close()
    await open()
    expect(await names()).toEqual(['a'])
  })

  test('its socket can be reached by nobody else on the machine', async () => {
    const { folder: sockets, remove } = await socketFolder()
    expect(statSync(sockets).mode & 0o777).toBe(0o700)
    await remove()
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

describe('a data folder that is not whole', () => {
  let folder: string
  let whole: string
  beforeAll(() => {
    whole = mkdtempSync(join(tmpdir(), 'round-table-'))
    prepareFolder(whole)
  })
  afterAll(() => rmSync(whole, { recursive: true }))
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'round-table-'))
  })
  afterEach(() => rmSync(folder, { recursive: true }))

  test.each(['PG_VERSION', 'base', join('global', 'pg_control'), 'pg_wal'])(
    'without %s is refused in plain words, and nothing is made in its place',
    async part => {
      const files = join(folder, 'postgres')
      cpSync(whole, folder, { recursive: true })
      rmSync(join(files, part), { recursive: true })
      const opened = openDatabase(folder)
      await expect(opened).rejects.toThrow(DataFolderError)
      await expect(opened).rejects.toThrow(part)
      expect(existsSync(join(files, part))).toBe(false)
      // It is not kept locked either.
      await (await lockFolder(folder))()
    },
  )

  test('with damage within is said to be damaged, without a word of the program', async () => {
    const files = join(folder, 'postgres')
    cpSync(whole, folder, { recursive: true })
    writeFileSync(join(files, 'global', 'pg_control'), 'not a control file')
    await expect(openDatabase(folder)).rejects.toThrow(
      /could not be opened: it seems to be damaged\. Restore/,
    )
  }, 60_000)

  test('an empty one is made anew', () => {
    expect(() => checkFolder(join(folder, 'postgres'))).not.toThrow()
    expect(() => checkFolder(folder)).not.toThrow()
  })
})

test('when the thread of the database ends by itself it is known; when it is asked to it is no loss', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'round-table-'))
  const opened = await openDatabase(folder)
  let lost = false
  opened.lost.then(() => {
    lost = true
  })
  await opened.close()
  await new Promise(resolve => setTimeout(resolve, 50))
  expect(lost).toBe(false)
  rmSync(folder, { recursive: true })
})
