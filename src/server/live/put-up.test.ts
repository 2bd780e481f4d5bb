import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { addCard } from '~/core/boards/prompts/cards/document'
import { boardUpdates } from '../db/schema.server'
import { readPromptOfAll, readPutUp } from './put-up.server'

const board: Board = {
  title: 'Herons',
  steps: [],
  prompts: [
    { id: 'c', kind: 'cards', text: 'What do you see?', settings: {} },
    { id: 'l', kind: 'cards', text: 'Later', settings: {}, part: 'two' },
  ],
  parts: [{ id: 'two', title: 'Two', steps: [], opens: 'hand' }],
}

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
  await tell({ type: 'correct-board', place: 0, board, roomId: null })
  await tell({ type: 'send-out', seconds: 600 })
})
afterEach(() => running.stop())

const tell = (command: Parameters<typeof running.hub.command>[2]) =>
  running.hub.command(running.sessionId, running.facilitator, command)
const read = () => readPutUp(running.hub, running.boards, running.sessionId)
const rooms = async () => (await running.hub.state(running.sessionId)).rooms

/** A card that stands in a room's copy. */
async function written(copyId: string, promptId: string, text: string): Promise<void> {
  const doc = new Y.Doc()
  addCard(doc, promptId, `${promptId}-${text}`, text)
  await running.db.insert(boardUpdates).values({ copyId, update: Y.encodeStateAsUpdate(doc) })
}
const textsIn = (now: Awaited<ReturnType<typeof read>>) =>
  now?.rooms.map(({ name, answers }) => [
    name,
    Object.entries(answers).map(([id, { answer }]) => [
      id,
      answer.kind === 'cards' ? answer.cards.map(({ text }) => text) : answer.kind,
    ]),
  ])

test('while nothing is up there is nothing to read', async () => {
  expect(await read()).toBeNull()
})

test('one prompt of all rooms is read room by room; of a room’s board what the room sees; taken down, nothing is', async () => {
  const [first, second] = await rooms()
  if (!first || !second) throw new Error('Two rooms are wanted.')
  await written(first.copyId, 'c', 'a heron')
  await written(first.copyId, 'l', 'not for all yet')
  await written(second.copyId, 'c', 'reeds')
  await tell({ type: 'put-up', roomId: null, promptId: 'c' })
  const all = await read()
  expect(all?.prompts).toEqual([{ id: 'c', text: 'What do you see?' }])
  expect(textsIn(all)?.slice(0, 2)).toEqual([
    [first.name, [['c', ['a heron']]]],
    [second.name, [['c', ['reeds']]]],
  ])
  await tell({ type: 'put-up', roomId: first.id, promptId: null })
  expect(textsIn(await read())).toEqual([[first.name, [['c', ['a heron']]]]])
  await tell({ type: 'take-down' })
  expect(await read()).toBeNull()
})

test('however many projectors ask at once, it is read once', async () => {
  await tell({ type: 'put-up', roomId: null, promptId: 'c' })
  const [one, two] = await Promise.all([read(), read()])
  expect(two).toBe(one)
})

test('a session that nobody knows is not found', async () => {
  await expect(readPutUp(running.hub, running.boards, 'nowhere')).rejects.toMatchObject({ code: 'not-found' })
})

test('one prompt of all rooms is read for the wall, also when nothing is put up, and only where it is open', async () => {
  const [one, two] = await rooms()
  await written(one?.copyId ?? '', 'c', 'A heron')
  await written(two?.copyId ?? '', 'l', 'Not to be seen yet')
  const ofAll = (promptId: string) =>
    readPromptOfAll(running.hub, running.boards, running.sessionId, promptId)
  expect(textsIn(await ofAll('c'))).toEqual([
    [one?.name, [['c', ['A heron']]]],
    [two?.name, [['c', []]]],
  ])
  expect(await ofAll('l')).toEqual({ prompts: [], rooms: [] })
  expect(await ofAll('no-such-prompt')).toEqual({ prompts: [], rooms: [] })
  await expect(readPromptOfAll(running.hub, running.boards, 'nowhere', 'c')).rejects.toMatchObject({
    code: 'not-found',
  })
})
