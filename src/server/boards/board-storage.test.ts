import { asc, eq } from 'drizzle-orm'
import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import { addCard } from '~/core/boards/prompts/cards/document'
import { readAnswer } from '~/core/boards/prompts/kinds'
import { boardCopies, boardUpdates, contributions, notedContributions } from '../db/schema.server'
import { BoardStorage } from './board-storage.server'
import { type Contribution, hasWritten, noteContributions, readContributions } from './contributions.server'

const cards = { id: 'c', kind: 'cards', text: '', settings: {} } as const

let running: Awaited<ReturnType<typeof runningServer>>
let copyId: string
let stored: { copyIds: string[]; contributions: Contribution[] }[]
let failures: unknown[]
let storage: BoardStorage

beforeAll(async () => {
  running = await runningServer()
})
afterAll(() => running.stop())
beforeEach(async () => {
  await running.db.delete(boardUpdates)
  await running.db.delete(contributions)
  await running.db.delete(notedContributions)
  const { rooms } = await running.hub.state(running.sessionId)
  copyId = rooms[0]?.copyId as string
  stored = []
  failures = []
  storage = new BoardStorage(
    running.db,
    (copyIds, contributions) => stored.push({ copyIds: [...copyIds], contributions }),
    () => undefined,
    error => failures.push(error),
  )
})

/** The changes that some cards make, one update each. */
function updatesOf(count: number): Uint8Array[] {
  const doc = new Y.Doc()
  const updates: Uint8Array[] = []
  doc.on('update', update => updates.push(update))
  for (let number = 0; number < count; number++) addCard(doc, 'c', `card${number}`, `Card ${number}`)
  return updates
}

const contribution = (changes: Partial<Contribution> = {}): Contribution => ({
  copyId,
  promptId: 'c',
  entryId: 'card0',
  participantId: 'ana',
  halfMinute: 60_000,
  edits: 1,
  text: 'Card',
  at: 61_000,
  ...changes,
})

async function kept(): Promise<number> {
  const update = await storage.load(copyId)
  const doc = new Y.Doc()
  if (update) Y.applyUpdate(doc, update)
  const answer = readAnswer(doc, cards)
  return answer.kind === 'cards' ? answer.cards.length : 0
}

test('an untouched copy has nothing', async () => {
  expect(await storage.load(copyId)).toBeNull()
})

test('what was appended is there when the copy is opened, in whatever writes it went', async () => {
  const updates = updatesOf(12)
  for (const update of updates.slice(0, 5)) storage.append({ document: copyId, update, contributions: [] })
  await storage.settled()
  for (const update of updates.slice(5)) storage.append({ document: copyId, update, contributions: [] })
  expect(await kept()).toBe(12)
  expect(stored.flatMap(each => each.copyIds)).toContain(copyId)
})

test('changes of the same moment go into one write', async () => {
  for (const update of updatesOf(30))
    storage.append({ document: copyId, update, contributions: [contribution()] })
  await storage.settled()
  expect(stored).toHaveLength(1)
  expect(stored[0]?.contributions).toMatchObject([{ edits: 30 }])
})

test('changes that lie in one row, in rows of their own and from before there were several in one are all read', async () => {
  const [first, ...rest] = updatesOf(6) as [Uint8Array, ...Uint8Array[]]
  await running.db.insert(boardUpdates).values({ copyId, update: first })
  for (const update of rest.slice(0, 3)) storage.append({ document: copyId, update, contributions: [] })
  await storage.settled()
  for (const update of rest.slice(3)) {
    storage.append({ document: copyId, update, contributions: [] })
    await storage.settled()
  }
  const rows = await running.db.select().from(boardUpdates).orderBy(asc(boardUpdates.id))
  expect(rows.map(({ lengths }) => lengths?.length ?? null)).toEqual([null, 3, null, null])
  expect(await kept()).toBe(6)
})

test('many small changes are merged into one row when the copy is opened, and none is lost', async () => {
  for (const update of updatesOf(120)) storage.append({ document: copyId, update, contributions: [] })
  expect(await kept()).toBe(120)
  expect(await running.db.select().from(boardUpdates)).toHaveLength(1)
  expect(await kept()).toBe(120)
})

test('a change the database refuses is given up alone: the others of its write are kept', async () => {
  const [first, second] = updatesOf(2) as [Uint8Array, Uint8Array]
  storage.append({ document: copyId, update: first, contributions: [] })
  storage.append({ document: 'no-such-copy', update: first, contributions: [] })
  storage.append({ document: copyId, update: second, contributions: [] })
  await storage.settled()
  expect(failures.length).toBeGreaterThan(0)
  expect(await kept()).toBe(2)
  expect(stored.flatMap(each => each.copyIds)).not.toContain('no-such-copy')
})

test('a board is called stored only when all of its changes are, also while the database comes and goes', async () => {
  let writes = 0
  const failing = new Proxy(running.db, {
    get(db, name) {
      const value = Reflect.get(db, name)
      if (name !== 'execute') return value
      return (...given: Parameters<typeof db.execute>) => {
        writes++
        // Both together, and then the second one alone.
        if (writes === 1 || writes === 3) return Promise.reject(new Error('The database is gone.'))
        return db.execute(...given)
      }
    },
  })
  storage = new BoardStorage(
    failing,
    copyIds => stored.push({ copyIds: [...copyIds], contributions: [] }),
    () => undefined,
    error => failures.push(error),
  )
  for (const update of updatesOf(2)) storage.append({ document: copyId, update, contributions: [] })
  await storage.settled()
  expect(failures).toHaveLength(2)
  expect(stored.map(each => each.copyIds)).toEqual([[], [copyId]])
  expect(await kept()).toBe(2)
})

test('opening a copy waits for its own changes only, however much is written elsewhere', async () => {
  const { rooms } = await running.hub.state(running.sessionId)
  const other = rooms[1]?.copyId as string
  const [update] = updatesOf(1) as [Uint8Array]
  storage.append({ document: copyId, update, contributions: [] })
  await storage.settled()
  // From here on the other copy is never quiet: every write finds another change appended.
  let busy = true
  const keepBusy = () => {
    if (!busy) return
    storage.append({ document: other, update, contributions: [] })
    setTimeout(keepBusy, 1)
  }
  keepBusy()
  expect(await kept()).toBe(1)
  expect(stored.flatMap(each => each.copyIds)).not.toContain(other)
  // And with a change of its own outstanding it waits for that one, not until all is quiet.
  storage.append({ document: copyId, update: (updatesOf(2)[1] ?? update) as Uint8Array, contributions: [] })
  await storage.settled(copyId)
  busy = false
  expect(stored.flatMap(each => each.copyIds)).toContain(copyId)
  await storage.settled()
})

test('what another server wrote meanwhile with a lower number is not lost when rows are merged', async () => {
  const updates = updatesOf(60)
  for (const update of updates.slice(1)) storage.append({ document: copyId, update, contributions: [] })
  await storage.settled()
  const rows = await running.db.select().from(boardUpdates).orderBy(asc(boardUpdates.id))
  // The row is there before any other by its number, and seen only after the others were read.
  const early = (rows[0]?.id ?? 1) - 1
  const late = new Proxy(running.db, {
    get(db, name) {
      const found = Reflect.get(db, name)
      if (name !== 'transaction') return found
      return async (...given: Parameters<typeof db.transaction>) => {
        await db.insert(boardUpdates).values({ id: early, copyId, update: updates[0] as Uint8Array })
        return db.transaction(...given)
      }
    },
  })
  const merging = new BoardStorage(
    late,
    () => undefined,
    () => undefined,
    error => failures.push(error),
  )
  await merging.load(copyId)
  expect(await kept()).toBe(60)
  expect(failures).toEqual([])
})

test('that nobody could be told does not write anything twice', async () => {
  storage = new BoardStorage(
    running.db,
    () => {
      throw new Error('Nobody listens.')
    },
    () => undefined,
    error => failures.push(error),
  )
  for (const update of updatesOf(3)) storage.append({ document: copyId, update, contributions: [] })
  await new Promise(resolve => setTimeout(resolve, 900))
  expect(failures).toHaveLength(1)
  expect(await running.db.select().from(boardUpdates)).toMatchObject([
    { lengths: [expect.any(Number), expect.any(Number), expect.any(Number)] },
  ])
})

test('contributions add up by person, piece and half minute, and keep the latest words', async () => {
  await noteContributions(running.db, [
    contribution(),
    contribution({ participantId: 'bo', text: 'Ä "quoted" \\ text' }),
  ])
  await noteContributions(running.db, [contribution({ edits: 4, text: 'Later', at: 80_000 })])
  await noteContributions(running.db, [contribution({ halfMinute: 90_000, at: 91_000 })])
  expect(
    (await readContributions(running.db, [copyId])).map(one => [
      one.participantId,
      one.edits,
      one.text,
      one.at,
    ]),
  ).toEqual([
    ['bo', 1, 'Ä "quoted" \\ text', 61_000],
    ['ana', 5, 'Later', 80_000],
    ['ana', 1, 'Card', 91_000],
  ])
  expect(await readContributions(running.db, [])).toEqual([])
})

test('steady writing is summed up on the way, and nobody who reads waits for that to be', async () => {
  const updates = updatesOf(45)
  for (const update of updates) {
    storage.append({ document: copyId, update, contributions: [contribution()] })
    await storage.settled()
  }
  const notes = await running.db.select().from(notedContributions)
  expect(notes).toHaveLength(5)
  expect(await running.db.select().from(contributions)).toMatchObject([{ edits: 40 }])
  expect(await hasWritten(running.db, 'ana')).toBe(true)
  expect(await readContributions(running.db, [copyId])).toMatchObject([{ edits: 45, text: 'Card' }])
  expect(await running.db.select().from(notedContributions)).toEqual([])
})

test('two who read at the same moment count what was noted once', async () => {
  await noteContributions(running.db, [contribution({ edits: 3 })])
  const read = await Promise.all([1, 2].map(() => readContributions(running.db, [copyId])))
  expect(read).toMatchObject([[{ edits: 3 }], [{ edits: 3 }]])
})

test('what was noted of a copy that is gone keeps nothing else back', async () => {
  const [own] = await running.db.select().from(boardCopies).where(eq(boardCopies.id, copyId))
  const gone = { ...(own as NonNullable<typeof own>), id: 'gone', roomId: 'gone' }
  await running.db.insert(boardCopies).values(gone)
  await noteContributions(running.db, [contribution(), contribution({ copyId: 'gone' })])
  await running.db.delete(boardCopies).where(eq(boardCopies.id, 'gone'))
  expect(await readContributions(running.db, [copyId, 'gone'])).toMatchObject([{ copyId, edits: 1 }])
})

test('while what was noted can not be summed up, writing goes on and nothing is lost', async () => {
  const failing = new Proxy(running.db, {
    get(db, name) {
      const value = Reflect.get(db, name)
      if (name !== 'execute') return value
      return (...[query]: Parameters<typeof db.execute>) =>
        JSON.stringify(query).includes('delete from noted_contributions')
          ? Promise.reject(new Error('The database is gone.'))
          : db.execute(query)
    },
  })
  storage = new BoardStorage(
    failing,
    () => undefined,
    () => undefined,
    error => failures.push(error),
  )
  for (const update of updatesOf(25)) {
    storage.append({ document: copyId, update, contributions: [contribution()] })
    await storage.settled()
  }
  expect(failures).toHaveLength(1)
  expect(await readContributions(running.db, [copyId])).toMatchObject([{ edits: 25 }])
})
