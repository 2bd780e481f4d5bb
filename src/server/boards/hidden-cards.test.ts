import { eq } from 'drizzle-orm'
import { boardLines } from 'tests/fixtures/board-lines'
import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { documentName } from '~/core/boards/document-name'
import { addCard, cardText, readCards } from '~/core/boards/prompts/cards/document'
import { boardCopies, boardUpdates } from '../db/schema.server'
import { readContributions } from './contributions.server'

const board: Board = {
  title: 'Herons',
  steps: [],
  prompts: [
    { id: 'c', kind: 'cards', text: 'For all', settings: {} },
    { id: 'h', kind: 'cards', text: 'Alone first', settings: { seen: 'when-opened' } },
    { id: 'later', kind: 'cards', text: 'Later', settings: {}, part: 'two' },
  ],
  parts: [{ id: 'two', title: 'Two', steps: [], opens: 'hand' }],
}

let running: Awaited<ReturnType<typeof runningServer>>
let lines: Awaited<ReturnType<typeof boardLines>>
/** Ana and Bo in one room, Chi in another; the fourth is a facilitator. */
let people: (string | null)[]
let rooms: { id: string; copyId: string }[]

beforeEach(async () => {
  running = await runningServer()
  const { sessionId, hub, facilitator, db } = running
  people = [await running.join(0), await running.join(1), await running.join(2), null]
  lines = await boardLines(running.boards, who => people[who] ?? null)
  await hub.command(sessionId, facilitator, { type: 'correct-board', place: 0, board, roomId: null })
  await db.update(boardCopies).set({ board })
  rooms = (await hub.state(sessionId)).rooms
  for (const [index, participantId] of people.slice(0, 3).entries())
    await hub.command(sessionId, facilitator, {
      type: 'place',
      participantId: participantId as string,
      roomId: rooms[index < 2 ? 0 : 1]?.id as string,
    })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
})
afterEach(async () => {
  lines.close()
  await running.stop()
})

const copyOf = (room: number) => rooms[room]?.copyId as string
const beside = (who: number, room = 0, promptId = 'h') =>
  documentName({ copyId: copyOf(room), own: { promptId, participantId: people[who] as string } })
const texts = (doc: Y.Doc, promptId = 'h') => readCards(doc, promptId).map(({ text }) => text)
const clockOf = (doc: Y.Doc) => Y.decodeStateVector(Y.encodeStateVector(doc)).get(doc.clientID) ?? 0
const open = (roomId: string | null) =>
  running.hub.command(running.sessionId, running.facilitator, {
    type: 'open-hidden-text',
    promptId: 'h',
    roomId,
  })

/** Writes cards where nobody else gets them, under the number that was given, until they are on disk. */
async function writeAlone(who: number, cards: Record<string, string>, room = 0) {
  const doc = new Y.Doc()
  const line = await lines.open(doc, who, beside(who, room))
  const { writer = 0 } = await line.until(notice => notice.writer !== undefined)
  doc.clientID = writer
  for (const [id, text] of Object.entries(cards)) addCard(doc, 'h', id, text)
  await line.until(({ stored }) => stored[writer] === clockOf(doc))
  return { doc, line, writer }
}

const until = async (fits: () => boolean | Promise<boolean>) => {
  for (let tries = 0; tries < 100 && !(await fits()); tries++) await new Promise(done => setTimeout(done, 50))
}

test('until they are opened nobody gets another’s cards, nor hears that there are any; then all in the room do, with who wrote them', async () => {
  const { db, boards } = running
  const ana = await writeAlone(0, { a1: 'wings', a2: 'reeds' })
  const bo = await writeAlone(1, { b1: 'mud' })
  const shared = new Y.Doc()
  const bos = await lines.open(shared, 1, copyOf(0))
  const watching = new Y.Doc()
  const facilitator = await lines.open(watching, 3, copyOf(0))
  await new Promise(done => setTimeout(done, 700))
  expect([texts(shared), texts(watching), texts(bo.doc)]).toEqual([[], [], ['mud']])
  expect(JSON.stringify([bos.notices, bo.line.notices, facilitator.notices])).not.toMatch(/h\/a/)
  // Facilitators see in the lanes that something is written, and by whom.
  const written = await readContributions(db, [copyOf(0)])
  expect(written.map(({ promptId, participantId, text }) => [promptId, participantId, text])).toEqual(
    expect.arrayContaining([
      ['h', people[0], 'wings'],
      ['h', people[1], 'mud'],
    ]),
  )

  expect(await open(rooms[0]?.id as string)).toMatchObject({ ok: true })
  await until(() => texts(shared).length === 3)
  expect(texts(shared).sort()).toEqual(['mud', 'reeds', 'wings'])
  const told = await bos.until(({ authors }) => authors?.['h/a1'] !== undefined)
  expect(told.authors).toMatchObject({ 'h/a1': 'Ana', 'h/a2': 'Ana', 'h/b1': 'Bo' })
  expect(texts(watching).length).toBe(3)
  // Nothing was done anew by showing it.
  await boards.read(copyOf(0))
  expect(await readContributions(db, [copyOf(0)])).toHaveLength(written.length)
  // A second time, and whoever opens the board later: each card once.
  expect(texts(await boards.read(copyOf(0)))).toHaveLength(3)
  for (const line of [ana.line, bo.line, bos, facilitator]) line.close()
})

test('what was written without a line when they were opened comes in afterwards, and once only, whichever way it comes', async () => {
  const { boards } = running
  const ana = await writeAlone(0, { a1: 'wings' })
  ana.line.close()
  addCard(ana.doc, 'h', 'a2', 'written without a line')
  cardText(ana.doc, 'h', 'a1')?.insert(0, 'long ')
  await open(null)
  const shared = new Y.Doc()
  const bo = await lines.open(shared, 1, copyOf(0))
  expect(texts(shared)).toEqual(['wings'])
  // Ana comes back: what lies beside is still hers to send, and her page puts it onto the board too.
  const back = await lines.open(ana.doc, 0, beside(0))
  const whole = new Y.Doc()
  const anas = await lines.open(whole, 0, copyOf(0))
  Y.applyUpdate(whole, Y.encodeStateAsUpdate(ana.doc))
  await until(() => texts(shared).length === 2)
  expect(texts(shared)).toEqual(['long wings', 'written without a line'])
  await back.until(({ stored }) => (stored[ana.writer] ?? 0) >= clockOf(ana.doc))
  await until(async () => texts(await boards.read(copyOf(0))).length === 2)
  expect(texts(await boards.read(copyOf(0)))).toEqual(['long wings', 'written without a line'])
  for (const line of [back, anas, bo]) line.close()
})

test('opened while nobody has the board open: it is there for who comes next; what another room wrote stays hidden', async () => {
  const ana = await writeAlone(0, { a1: 'wings' })
  const chi = await writeAlone(2, { c1: 'fish' }, 1)
  ana.line.close()
  await open(rooms[0]?.id as string)
  const shared = new Y.Doc()
  const bo = await lines.open(shared, 1, copyOf(0))
  expect(texts(shared)).toEqual(['wings'])
  const other = new Y.Doc()
  const others = await lines.open(other, 2, copyOf(1))
  expect(texts(other)).toEqual([])
  for (const line of [chi.line, bo, others]) line.close()
})

test('nobody opens what another writes alone, nor anything beside a board that is not hidden', async () => {
  const tries = [
    [1, beside(0)],
    [3, beside(0)],
    [2, beside(2, 0)],
    [0, beside(0, 0, 'c')],
    [0, beside(0, 0, 'nothing')],
    [0, `${beside(0)}/more`],
    [0, `${copyOf(0)}/`],
  ] as const
  for (const [who, name] of tries) {
    const line = lines.begin(new Y.Doc(), who, name)
    expect([name, await line.opened]).toEqual([name, false])
    line.close()
  }
})

test('a made-up browser writes neither hidden cards onto the board, nor under a part that was never open, nor anything else beside it', async () => {
  const { db, boards, hub, sessionId, facilitator } = running
  const forge = async (name: string, promptId: string) => {
    const doc = new Y.Doc()
    const line = await lines.open(doc, 0, name)
    const closed = new Promise(resolve => line.provider.on('close', resolve))
    addCard(doc, promptId, 'forged', 'forged')
    await closed
    line.close()
  }
  await forge(copyOf(0), 'h')
  await forge(copyOf(0), 'later')
  await forge(beside(0), 'c')
  const kept = await boards.read(copyOf(0))
  expect([texts(kept), texts(kept, 'later'), texts(kept, 'c')]).toEqual([[], [], []])
  expect(
    await db
      .select()
      .from(boardUpdates)
      .where(eq(boardUpdates.copyId, copyOf(0))),
  ).toEqual([])
  // Once it was open, what is sent after it was shut again is late and not lost.
  const part = { partId: 'two', roomId: null }
  await hub.command(sessionId, facilitator, { type: 'open-part', ...part })
  await hub.command(sessionId, facilitator, { type: 'shut-part', ...part })
  const doc = new Y.Doc()
  const line = await lines.open(doc, 0, copyOf(0))
  addCard(doc, 'later', 'late', 'in time')
  await line.until(({ authors }) => authors?.['later/late'] === 'Ana')
  line.close()
})
