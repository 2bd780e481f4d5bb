import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { prepareFolder } from 'tests/fixtures/databases'
import { type Database, openDatabase } from '../db/database.server'
import { FolderInUseError } from '../db/lock.server'
import { cohorts, people } from '../db/schema.server'
import { type BackupAsked, backupsIn, DUMP, MANIFEST, makeBackup } from './backup.server'
import { restoreBackup } from './restore.server'

let root: string
let dataFolder: string
let into: string
beforeAll(() => {
  root = mkdtempSync(join(tmpdir(), 'round-table-'))
  dataFolder = join(root, 'data')
  into = join(root, 'backups')
})
afterAll(() => rmSync(root, { recursive: true }))

/** What the second backup holds. */
let inSecond: Awaited<ReturnType<typeof rowsIn>>
let day = 0
const asked = (changes: Partial<BackupAsked> = {}): BackupAsked => ({
  dataFolder,
  into,
  keep: 14,
  now: new Date(Date.UTC(2026, 10, ++day, 19, 0)),
  ...changes,
})

/** A cohort with its one person, in one transaction. */
const write = (db: Database, id: string) =>
  db.transaction(async both => {
    await both.insert(cohorts).values({ id, name: id, createdAt: new Date() })
    await both
      .insert(people)
      .values({ id, cohortId: id, firstName: 'x'.repeat(2_000), position: 0, columns: {} })
  })

async function rowsIn(folder: string): Promise<{ cohorts: string[]; people: string[] }> {
  const { db, close } = await openDatabase(folder)
  try {
    return {
      cohorts: (await db.select().from(cohorts)).map(({ id }) => id),
      people: (await db.select().from(people)).map(({ id }) => id),
    }
  } finally {
    await close()
  }
}

test('with nothing there to back up, the command says so and makes nothing', async () => {
  await expect(makeBackup(asked())).rejects.toThrow('There is no database in')
  expect(existsSync(into)).toBe(false)
})

test('made while people write: what was acknowledged before is in it, nothing by half, and writing goes on', async () => {
  prepareFolder(dataFolder)
  const { db, close } = await openDatabase(dataFolder)
  mkdirSync(join(dataFolder, 'pictures'))
  writeFileSync(join(dataFolder, 'pictures', 'jetty.txt'), 'a jetty')
  for (const half of ['uploads', 'pictures/making-x']) {
    mkdirSync(join(dataFolder, half))
    writeFileSync(join(dataFolder, half, 'half.txt'), 'half')
  }
  const acknowledged: string[] = []
  let writing = true
  const writer = async (name: string) => {
    for (let number = 0; writing; number++) {
      await write(db, `${name}${number}`)
      acknowledged.push(`${name}${number}`)
      // As people write, not as a machine does: the backup has to get a turn as well.
      await new Promise(done => setTimeout(done, 20))
    }
  }
  const writers = [writer('a'), writer('b'), writer('c')]
  while (acknowledged.length < 30) await new Promise(done => setTimeout(done, 5))
  const made: { folder: string; before: string[] }[] = []
  for (let turn = 0; turn < 2; turn++) {
    const before = [...acknowledged]
    made.push({ folder: (await makeBackup(asked())).folder, before })
    // Somebody wrote meanwhile, and goes on afterwards.
    const after = acknowledged.length
    expect(after).toBeGreaterThan(before.length)
    while (acknowledged.length === after) await new Promise(done => setTimeout(done, 5))
  }
  writing = false
  await Promise.all(writers)
  await close()

  const { folder, before } = made[1] as (typeof made)[number]
  const restored = join(root, 'restored')
  const { movedTo } = await restoreBackup({
    from: folder,
    dataFolder: restored,
    over: false,
    now: new Date(),
  })
  expect(movedTo).toBeNull()
  inSecond = await rowsIn(restored)
  expect(inSecond.cohorts).toEqual(expect.arrayContaining(before))
  expect(inSecond.people.toSorted()).toEqual(inSecond.cohorts.toSorted())
  expect(readFileSync(join(restored, 'pictures', 'jetty.txt'), 'utf8')).toBe('a jetty')
  // What is on its way, or only being made, is in none.
  expect(readdirSync(join(restored, 'pictures'))).toEqual(['jetty.txt'])
  expect(existsSync(join(restored, 'uploads'))).toBe(false)
  expect(readdirSync(into).toSorted()).toEqual(backupsIn(into).toSorted())
}, 180_000)

test('of a server that stands still as well; the oldest go once there is a newer one, and nothing else does', async () => {
  writeFileSync(join(into, 'notes.txt'), 'not a backup')
  const before = backupsIn(into)
  const { folder, removed } = await makeBackup(asked({ keep: 2 }))
  expect(removed).toEqual(before.slice(1))
  expect(backupsIn(into)).toEqual([folder.slice(into.length + 1), before[0]])
  expect(existsSync(join(into, 'notes.txt'))).toBe(true)
}, 60_000)

test('the same moment twice is refused, and takes nothing away', async () => {
  const [newest = ''] = backupsIn(into)
  await expect(makeBackup({ ...asked(), now: new Date(Date.UTC(2026, 10, day - 1, 19, 0)) })).rejects.toThrow(
    `There is ${join(into, newest)} already.`,
  )
  expect(existsSync(join(into, newest, DUMP))).toBe(true)
})

describe('restoring', () => {
  const newest = () => join(into, backupsIn(into)[0] ?? '')
  const restore = (changes: Partial<Parameters<typeof restoreBackup>[0]> = {}) =>
    restoreBackup({
      from: newest(),
      dataFolder: join(root, 'restored'),
      over: false,
      now: new Date('2026-11-30T08:00:00Z'),
      ...changes,
    })

  test('over something that is there needs a word, and moves it aside', async () => {
    const target = join(root, 'restored')
    await expect(restore()).rejects.toThrow('Give --over')
    const { movedTo } = await restore({ over: true })
    expect((await rowsIn(target)).cohorts.length).toBeGreaterThan(inSecond.cohorts.length)
    // What was refused to be overwritten, and then moved aside, still opens.
    cpSync(movedTo ?? '', join(root, 'aside'), { recursive: true })
    expect(await rowsIn(join(root, 'aside'))).toEqual(inSecond)
  }, 120_000)

  test('is refused while a server works on the folder', async () => {
    const { close } = await openDatabase(dataFolder)
    await expect(restore({ dataFolder, over: true })).rejects.toThrow(FolderInUseError)
    await close()
  }, 60_000)

  test.each([
    ['a folder that is no backup', (folder: string) => rmSync(join(folder, MANIFEST)), 'is no backup'],
    [
      'one that cannot be read',
      (folder: string) => writeFileSync(join(folder, MANIFEST), '{"format":'),
      'can not be read',
    ],
    [
      'a dump with one byte changed',
      (folder: string) => {
        const bytes = readFileSync(join(folder, DUMP))
        bytes[100] = (bytes[100] ?? 0) ^ 1
        writeFileSync(join(folder, DUMP), bytes)
      },
      'is damaged',
    ],
    [
      'one with rows that are not in it',
      (folder: string) => {
        const text = readFileSync(join(folder, MANIFEST), 'utf8')
        writeFileSync(join(folder, MANIFEST), text.replace(/("public\.cohorts": )\d+/, '$1999999'))
      },
      'public.cohorts differ',
    ],
  ])(
    '%s is refused, and changes nothing',
    async (_, damage, message) => {
      const from = mkdtempSync(join(root, 'damaged-'))
      cpSync(newest(), from, { recursive: true })
      damage(from)
      const target = mkdtempSync(join(root, 'empty-'))
      await expect(restore({ from, dataFolder: target })).rejects.toThrow(message)
      expect(readdirSync(target).filter(name => name !== 'server.lock')).toEqual([])
    },
    60_000,
  )
})
