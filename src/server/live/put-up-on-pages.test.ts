import { pino } from 'pino'
import { runningServer } from 'tests/fixtures/running'
import * as Y from 'yjs'
import type { StreamMessage } from '~/contracts/live'
import type { Board } from '~/core/boards/board'
import { addCard } from '~/core/boards/prompts/cards/document'
import { boardUpdates } from '../db/schema.server'
import { PutUpOnPages } from './put-up-on-pages.server'
import type { AsJson } from './sections.server'

const board: Board = {
  title: 'Herons',
  steps: [],
  prompts: [{ id: 'c', kind: 'cards', text: 'What do you see?', settings: {} }],
}

let running: Awaited<ReturnType<typeof runningServer>>
let onPages: PutUpOnPages
let heard: { of: string; text: string }[]
/** What `boards` tells of copies that were written on. */
let written: (...copyIds: string[]) => Promise<void>

beforeEach(async () => {
  running = await runningServer(true)
  const { hub, boards, sessionId } = running
  boards.onWritten = listener => {
    written = async (...copyIds) => listener(sessionId, await hub.state(sessionId), new Set(copyIds))
  }
  onPages = new PutUpOnPages(hub, boards, pino({ enabled: false }))
  heard = []
  const ana = await running.join(0)
  await hub.command(sessionId, running.facilitator, { type: 'let-in', participantIds: [ana] })
  await hub.follow(sessionId, { kind: 'participant', participantId: ana }, null, hear(heard))
  await tell({ type: 'correct-board', place: 0, board, roomId: null })
  await tell({ type: 'send-out', seconds: 600 })
})
afterEach(async () => {
  onPages.stop()
  await running.stop()
})

const tell = (command: Parameters<typeof running.hub.command>[2]) =>
  running.hub.command(running.sessionId, running.facilitator, command)
const hear = (into: typeof heard) => (message: StreamMessage) => {
  if (message.kind === 'put-up') into.push({ of: message.of, text: (message.now as AsJson).text })
}
const heardTimes = async (times: number) => {
  for (let tries = 0; tries < 100 && heard.length < times; tries++)
    await new Promise(resolve => setTimeout(resolve, 50))
  return heard.length
}

async function card(copyId: string, text: string): Promise<void> {
  const doc = new Y.Doc()
  addCard(doc, 'c', `card-${text.slice(0, 20).replaceAll(' ', '-')}`, text)
  await running.db.insert(boardUpdates).values({ copyId, update: Y.encodeStateAsUpdate(doc) })
}

test('pages are told at once, again when a room that is shown has written, and not when nothing is another', async () => {
  const [first, second] = (await running.hub.state(running.sessionId)).rooms
  if (!first || !second) throw new Error('Two rooms are wanted.')
  await card(first.copyId, 'a heron')
  await tell({ type: 'put-up', roomId: first.id, promptId: 'c', onPages: true })
  expect(await heardTimes(1)).toBe(1)
  expect(heard[0]).toMatchObject({ of: `${first.id}/c`, text: expect.stringContaining('a heron') })
  await written(second.copyId)
  await written(first.copyId)
  await card(first.copyId, 'a teal')
  await written(first.copyId)
  expect(await heardTimes(2)).toBe(2)
  expect(heard[1]?.text).toContain('a teal')
  expect((await onPages.now(running.sessionId))?.kind).toBe('put-up')
  await tell({ type: 'take-down' })
  expect(await onPages.now(running.sessionId)).toBeNull()
})

test('who waits at the door hears nothing of it; once let in they do', async () => {
  const waiting: typeof heard = []
  const bo = await running.join(1)
  const { hub, sessionId } = running
  await hub.follow(sessionId, { kind: 'participant', participantId: bo }, null, hear(waiting))
  await tell({ type: 'put-up', roomId: null, promptId: 'c', onPages: true })
  await heardTimes(1)
  expect(waiting).toEqual([])
  await tell({ type: 'let-in', participantIds: [bo] })
  await heardTimes(2)
  expect(waiting).toHaveLength(1)
})

test('on the projector alone nothing is told, and more than a page can take is said to be that', async () => {
  const [first] = (await running.hub.state(running.sessionId)).rooms
  if (!first) throw new Error('A room is wanted.')
  for (let number = 0; number < 100; number++) await card(first.copyId, `${number} ${'x'.repeat(399)}`)
  await tell({ type: 'put-up', roomId: first.id, promptId: null })
  expect(await onPages.now(running.sessionId)).toBeNull()
  await tell({ type: 'put-up', roomId: first.id, promptId: null, onPages: true })
  await heardTimes(1)
  expect(heard.map(({ text }) => text)).toEqual(['"too-much"'])
})
