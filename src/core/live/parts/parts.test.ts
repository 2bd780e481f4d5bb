import { clock, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Board, Part } from '../../boards/board'
import { facilitatorView, participantView, viewFor } from '../views'
import { parts } from './parts'

const part = (id: string, opens: Part['opens'], more: Partial<Part> = {}): Part => ({
  id,
  title: `Part ${id}`,
  steps: [`Do ${id}.`],
  opens,
  ...more,
})
const board = (...parts: Part[]): Board => ({
  title: 'Two parts',
  steps: ['Look.'],
  prompts: [
    { id: 'c', kind: 'cards', text: 'What?', settings: {} },
    ...parts.map(({ id }) => ({
      id: `c-${id}`,
      kind: 'cards' as const,
      text: `And ${id}?`,
      settings: {},
      part: id,
    })),
  ],
  parts,
})

/** Ana and Bo are in Reeds, Chi in Birds. */
function out(...parts: Part[]) {
  const session = new Rehearsed({ board: board(...parts) })
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(1_000, facilitator, { type: 'send-out', seconds: 600 })
  return session
}
const seen = ({ state }: Rehearsed, id: string) =>
  participantView(state, id)?.board?.prompts.map(prompt => prompt.id)
const done = (session: Rehearsed, id: string, partId: string, isDone = true) =>
  session.tell(2_000, participant(id), { type: 'say-part-done', partId, done: isDone })

test('what is shut is sent to nobody in a room, neither its words nor its instructions; facilitators have it', () => {
  const session = out(part('two', 'hand'))
  for (const who of ['ana', 'chi']) {
    expect(seen(session, who)).toEqual(['c'])
    expect(participantView(session.state, who)).toMatchObject({ partsShut: 1, partsDone: [] })
    expect(JSON.stringify(participantView(session.state, who))).not.toMatch(/two/)
  }
  expect(JSON.stringify(viewFor(session.state, { kind: 'projector' }))).not.toMatch(/two/)
  expect(JSON.stringify(facilitatorView(session.state))).toMatch(/And two\?/)
})

test('by hand a part opens in one room or in all, and is shut again', () => {
  const session = out(part('two', 'hand'))
  const tell = (type: 'open-part' | 'shut-part', roomId: string | null) =>
    session.tell(2_000, facilitator, { type, partId: 'two', roomId })
  expect(tell('open-part', 'reeds')).toEqual(['part-opened'])
  expect([seen(session, 'ana'), seen(session, 'chi')]).toEqual([['c', 'c-two'], ['c']])
  expect(tell('open-part', 'reeds')).toEqual([])
  expect(tell('open-part', null)).toEqual(['part-opened'])
  expect(session.log.at(-1)?.event).toEqual({ type: 'part-opened', partId: 'two', roomIds: ['birds'] })
  expect(tell('shut-part', null)).toEqual(['part-shut'])
  expect([seen(session, 'ana'), seen(session, 'chi')]).toEqual([['c'], ['c']])
  expect(tell('open-part', 'nowhere')).toBe('no-such-part')
  expect(session.tell(2_000, facilitator, { type: 'open-part', partId: 'first', roomId: null })).toBe(
    'no-such-part',
  )
})

test('a part that waits for the one before opens when the group says that is done, and only there', () => {
  const session = out(part('two', 'done'), part('three', 'done'))
  expect(done(session, 'ana', 'two')).toBe('no-such-part')
  expect(done(session, 'ana', 'first')).toEqual(['part-done'])
  expect(done(session, 'bo', 'first')).toEqual([])
  expect([seen(session, 'bo'), seen(session, 'chi')]).toEqual([['c', 'c-two'], ['c']])
  expect(participantView(session.state, 'bo')).toMatchObject({ partsShut: 1, partsDone: ['first'] })
  expect(done(session, 'bo', 'two')).toEqual(['part-done'])
  expect(seen(session, 'ana')).toEqual(['c', 'c-two', 'c-three'])
  expect(facilitatorView(session.state).partsSaid).toEqual({
    reeds: { opened: [], shut: [], done: ['first', 'two'] },
  })
  // Taken back by somebody else of the room; shut by hand counts before what the group said.
  expect(done(session, 'ana', 'two', false)).toEqual(['part-not-done'])
  expect(seen(session, 'ana')).toEqual(['c', 'c-two'])
  session.tell(3_000, facilitator, { type: 'shut-part', partId: 'two', roomId: 'reeds' })
  expect(seen(session, 'ana')).toEqual(['c'])
})

test('whoever is in no room says nothing of parts', () => {
  const session = new Rehearsed({ board: board(part('two', 'done')) })
  session.join(1, 'ana')
  expect(done(session, 'ana', 'first')).toBe('not-in-a-room')
  expect(done(session, 'nobody', 'first')).toBe('no-such-participant')
  expect(participantView(session.state, 'ana')).toMatchObject({ board: null, partsShut: 0, partsDone: [] })
})

test('a part opens by itself so many minutes into the round, once, wherever nobody has opened or shut it', () => {
  const session = out(part('two', 'after', { after: 5 }), part('three', 'after', { after: 8 }))
  const due = () => parts.due?.(session.state).map(({ at, command }) => [at, command])
  expect(due()).toEqual([
    [301_000, { type: 'open-due-parts', minutes: 5 }],
    [481_000, { type: 'open-due-parts', minutes: 8 }],
  ])
  session.tell(2_000, facilitator, { type: 'shut-part', partId: 'two', roomId: 'birds' })
  expect(session.tell(301_000, clock, { type: 'open-due-parts', minutes: 5 })).toEqual(['part-opened'])
  expect([seen(session, 'ana'), seen(session, 'chi')]).toEqual([['c', 'c-two'], ['c']])
  expect(session.tell(301_000, clock, { type: 'open-due-parts', minutes: 5 })).toEqual([])
  expect(due()).toEqual([[481_000, { type: 'open-due-parts', minutes: 8 }]])
  // While people come back nothing opens any more.
  session.tell(302_000, facilitator, { type: 'call-back' })
  expect(due()).toEqual([])
})

test('a part that opens with the round is there from the start; boards of one part know nothing of all this', () => {
  expect(seen(out(part('two', 'round')), 'ana')).toEqual(['c', 'c-two'])
  const plain = new Rehearsed()
  plain.join(1, 'ana')
  plain.tell(1_000, facilitator, { type: 'send-out', seconds: 600 })
  expect(participantView(plain.state, 'ana')?.board).toBe(plain.state.boards[0])
})

test('what everybody in a room sees of the board is made once', () => {
  const session = out(part('two', 'hand'))
  expect(participantView(session.state, 'ana')?.board).toBe(participantView(session.state, 'bo')?.board)
})
