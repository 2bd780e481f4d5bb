import { plannedSession, value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import type { Board } from '~/core/boards/board'
import { openSession } from '../live/requests.server'
import { BoardWork } from './board-work.server'
import { type Contribution, noteContributions } from './contributions.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeEach(async () => {
  running = await runningServer()
})
afterEach(() => running.stop())

const card = (copyId: string, entryId: string, text: string): Contribution => ({
  copyId,
  promptId: 'c',
  entryId,
  participantId: 'ana',
  halfMinute: 0,
  edits: 3,
  text,
  at: 1000,
})

test('rooms that are made after the work of a session was read show what is written in them, counted once', async () => {
  const { db, hub, by, facilitator } = running
  const { sessionId, personIds } = await plannedSession(db, by)
  value(await openSession({ db, hub }, by, sessionId))
  const work = new BoardWork(db)
  const before = await work.of(sessionId, await hub.state(sessionId))
  expect(Object.values(before).map(room => room.answeredPrompts)).toEqual([0, 0])
  const join = { type: 'join', participantId: 'ana', personId: personIds[0] ?? '', shownName: 'Ana' } as const
  value(await hub.command(sessionId, { kind: 'door' }, join))
  const groups = [{ name: 'Made here', participantIds: ['ana'] }]
  value(await hub.command(sessionId, facilitator, { type: 'make-rooms', groups, ids: ['room', 'copy'] }))
  const state = await hub.state(sessionId)
  // As the board server does it: stored, taken in, and then told, to two facilitators at once.
  const write = async (entryId: string, text: string) => {
    const written = [card('copy', entryId, text)]
    await noteContributions(db, written)
    work.add(written)
    const [one, other] = await Promise.all([
      work.of(sessionId, state, new Set(['copy'])),
      work.of(sessionId, state),
    ])
    expect(other?.room).toEqual(one?.room)
    return one?.room
  }
  expect(await write('e1', 'Wear boots')).toMatchObject({
    latest: { text: 'Wear boots' },
    answeredPrompts: 1,
    pulse: [{ edits: 3 }],
  })
  expect(await write('e2', 'And gloves')).toMatchObject({
    latest: { text: 'And gloves' },
    pulse: [{ edits: 6 }],
  })
  work.forget(sessionId)
  expect((await work.of(sessionId, state)).room).toMatchObject({ pulse: [{ edits: 6 }] })
})

test('what people write alone is counted for facilitators until it is opened, with how many of them wrote', async () => {
  const { db, hub, sessionId, facilitator } = running
  const board: Board = {
    title: 'Herons',
    steps: [],
    prompts: [{ id: 'c', kind: 'cards', text: 'Alone', settings: { seen: 'when-opened' } }],
  }
  value(await hub.command(sessionId, facilitator, { type: 'correct-board', place: 0, board, roomId: null }))
  const work = new BoardWork(db)
  const room = (await hub.state(sessionId)).rooms[0]
  if (!room) throw new Error('The session has no room.')
  const aloneNow = async () => (await work.of(sessionId, await hub.state(sessionId)))[room.id]?.alone
  expect(await aloneNow()).toBeUndefined()
  work.add([card(room.copyId, 'e1', 'One'), card(room.copyId, 'e2', 'Two')])
  work.add([{ ...card(room.copyId, 'e3', 'Three'), participantId: 'bo' }])
  expect(await aloneNow()).toEqual({ c: { cards: 3, people: 2 } })
  work.add([{ ...card(room.copyId, 'e3', ''), participantId: 'bo' }])
  expect(await aloneNow()).toEqual({ c: { cards: 2, people: 1 } })
  value(
    await hub.command(sessionId, facilitator, { type: 'open-hidden-text', promptId: 'c', roomId: room.id }),
  )
  expect(await aloneNow()).toBeUndefined()
})

test('of each prompt the last that still stands is told, and of those who are in the room what each wrote and where', async () => {
  const { db, hub, sessionId, facilitator, join } = running
  const [ana, bo] = [await join(0), await join(1)]
  value(await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 }))
  const work = new BoardWork(db)
  const state = await hub.state(sessionId)
  const room = state.rooms.find(({ id }) => id === state.participants.get(ana)?.roomId)
  if (!room) throw new Error('Ana is in no room.')
  const now = async () => (await work.of(sessionId, state))[room.id]
  expect(await now()).toEqual({ pulse: [], latest: null, answeredPrompts: 0 })
  work.add([
    { ...card(room.copyId, 'e1', 'First'), participantId: ana },
    { ...card(room.copyId, 'e2', 'Second'), participantId: ana, at: 2000 },
    { ...card(room.copyId, 'e3', 'Elsewhere'), promptId: 'd', participantId: 'somebody-before', at: 3000 },
  ])
  expect(await now()).toMatchObject({
    prompts: {
      c: { pieces: 2, latest: 'Second', at: 2000 },
      d: { pieces: 1, latest: 'Elsewhere', at: 3000 },
    },
  })
  expect((await now())?.people).toEqual({ [ana]: { edits: 6, promptId: 'c', at: 2000 } })
  work.add([{ ...card(room.copyId, 'e2', ''), participantId: ana, at: 4000 }])
  expect((await now())?.prompts?.c).toEqual({ pieces: 1, latest: '', at: 0 })
  work.add([{ ...card(room.copyId, 'e1', ''), participantId: ana, at: 5000 }])
  expect((await now())?.prompts).toEqual({ d: { pieces: 1, latest: 'Elsewhere', at: 3000 } })
  // Bo is in another room, or has written nothing.
  expect(Object.keys((await now())?.people ?? {})).not.toContain(bo)
})
