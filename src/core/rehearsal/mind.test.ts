import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { promptSchema } from '../boards/prompts/kinds'
import { participantView } from '../live/views'
import { randomStream } from '../random/random'
import type { Temper } from './cast'
import { type Doing, SimulatedMind } from './mind'

const MINUTE = 60_000
const calm: Temper = { writes: 'some', late: false, drops: false, asks: false, moves: false }

/** Lets somebody live from minute to minute, doing what they want as far as the session lets them. */
function live(session: Rehearsed, id: string, temper: Partial<Temper>, from: number, to: number, seed = 5) {
  const mind = new SimulatedMind({ ...calm, ...temper }, randomStream(seed), from)
  const did: (Doing & { at: number; answer?: string | string[] })[] = []
  for (let at = from; at < to; at += 1_000) {
    if (at < mind.next) continue
    for (const doing of mind.step(participantView(session.state, id), at)) {
      const answer =
        doing.does === 'ask'
          ? session.tell(at, participant(id), {
              ...doing.request,
              helpId: `h${at}`,
              answerId: `a${at}`,
              lineId: `l${at}`,
            } as never)
          : undefined
      did.push({ ...doing, at, ...(answer !== undefined && { answer }) })
    }
  }
  return did
}
const kinds = (did: Doing[]) => new Set(did.map(one => (one.does === 'ask' ? one.request.type : one.does)))
const writes = (did: Doing[]) => did.filter(({ does }) => does === 'write').length

function inRooms(changes: ConstructorParameters<typeof Rehearsed>[0] = {}): Rehearsed {
  const session = new Rehearsed(changes)
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}

test('nobody does anything before they are let in, nor after the end', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana')
  expect(live(session, 'ana', { writes: 'much' }, 2, 5 * MINUTE)).toEqual([])
  session.tell(5 * MINUTE, facilitator, { type: 'end' })
  expect(live(session, 'ana', { writes: 'much' }, 5 * MINUTE, 9 * MINUTE)).toEqual([])
})

test('some write, some write about twice as much and more, some nothing at all', () => {
  const some = writes(live(inRooms(), 'ana', {}, 2, 9 * MINUTE))
  const much = writes(live(inRooms(), 'ana', { writes: 'much' }, 2, 9 * MINUTE))
  expect(some).toBeGreaterThan(2)
  expect(much).toBeGreaterThan(some * 2)
  expect(writes(live(inRooms(), 'ana', { writes: 'nothing' }, 2, 9 * MINUTE))).toBe(0)
})

test('who asks for help calls once in a round, and gives up after five minutes', () => {
  const did = live(inRooms(), 'ana', { asks: true }, 2, 10 * MINUTE)
  const asked = did.flatMap(one => (one.does === 'ask' ? [{ type: one.request.type, at: one.at }] : []))
  const called = asked.filter(({ type }) => type === 'call-help')
  const withdrawn = asked.filter(({ type }) => type === 'withdraw-help')
  expect([called.length, withdrawn.length]).toEqual([1, 1])
  expect((withdrawn[0]?.at ?? 0) - (called[0]?.at ?? 0)).toBeGreaterThan(5 * MINUTE)
})

test('who drops is gone for a while and does nothing meanwhile; most come back', () => {
  const seeds = Array.from({ length: 20 }, (_, seed) =>
    live(inRooms(), 'ana', { drops: true }, 2, 10 * MINUTE, seed + 1),
  )
  expect(seeds.every(did => did.filter(({ does }) => does === 'drop').length === 1)).toBe(true)
  const back = seeds.filter(did => kinds(did).has('come back'))
  expect(back.length).toBeGreaterThan(seeds.length / 2)
  expect(back.length).toBeLessThan(seeds.length)
  for (const did of back) {
    const [gone, next] = did.slice(did.findIndex(({ does }) => does === 'drop'))
    expect(next?.does).toBe('come back')
    expect((next?.at ?? 0) - (gone?.at ?? 0)).toBeGreaterThanOrEqual(30_000)
  }
})

test('who likes to change goes to another room where that is allowed, and nowhere where it is not', () => {
  const still = inRooms()
  live(still, 'ana', { moves: true }, 2, 9 * MINUTE)
  expect(still.state.participants.get('ana')?.roomId).toBe('reeds')
  const free = inRooms()
  free.tell(3, facilitator, { type: 'set-terms', mayChange: true })
  live(free, 'ana', { moves: true }, 4, 9 * MINUTE)
  expect(free.state.participants.get('ana')?.roomId).toBe('birds')
})

test('an invitation is accepted, and a room chosen where there are some to choose', () => {
  const invited = new Rehearsed()
  invited.join(1, 'ana', 'bo', 'chi')
  invited.tell(2, facilitator, { type: 'set-terms', invited: true })
  invited.sendOut(3)
  expect(invited.state.participants.get('ana')?.inRoom).toBe(false)
  live(invited, 'ana', {}, 4, 3 * MINUTE)
  expect(invited.state.participants.get('ana')?.inRoom).toBe(true)
  const choosing = new Rehearsed({ people: [] })
  choosing.tell(1, door, { type: 'join', participantId: 'ana', personId: null, shownName: 'Ana' })
  choosing.tell(1, door, { type: 'connect', participantId: 'ana' })
  choosing.tell(2, facilitator, { type: 'open-choosing', least: 1, most: 3 })
  live(choosing, 'ana', {}, 3, 3 * MINUTE)
  expect(choosing.state.participants.get('ana')?.roomId).not.toBeNull()
})

test('each kind of question is answered with what it asks for', () => {
  for (const asks of [
    { is: 'choice', answers: ['A', 'B', 'C'] },
    { is: 'scale', steps: 5, least: '', most: '' },
    { is: 'number', unit: 'cm' },
    { is: 'words' },
    { is: 'text' },
  ] as const) {
    const session = inRooms()
    const { is } = asks
    session.tell(3, facilitator, {
      type: 'ask-question',
      questionId: 'q',
      text: 'What?',
      answers: is === 'choice' ? [...asks.answers] : [],
      asks: is,
      ...(is === 'scale' && { steps: 5 }),
      ...(is === 'number' && { unit: 'cm' }),
    } as never)
    const did = live(session, 'ana', {}, 4, 2 * MINUTE)
    const answers = did.filter(one => one.does === 'ask' && one.request.type === 'answer-question')
    expect({ is, answers: answers.map(({ answer }) => answer) }).toEqual({
      is,
      answers: [['question-answered']],
    })
  }
})

test('what is said to them is seen once', () => {
  const session = inRooms()
  session.tell(3, facilitator, { type: 'broadcast', messageId: 'm', text: 'Five minutes.' })
  const did = live(session, 'ana', {}, 4, 5 * MINUTE)
  const seen = did.filter(one => one.does === 'ask' && one.request.type === 'see-messages')
  expect(seen).toHaveLength(1)
})

test('those who sit beside each other name each other', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(2, facilitator, { type: 'ask-sitting' })
  for (const id of ['ana', 'bo', 'chi']) live(session, id, {}, 3, MINUTE)
  expect(session.state.sitting?.get('ana')).toEqual(['bo'])
  expect(session.state.sitting?.get('bo')).toEqual(['ana'])
  expect(session.state.sitting?.get('chi')).toEqual(['bo'])
})

test('a hint is opened when all else in its part is done, the part is said to be done, and the next is gone on with', () => {
  const prompts = [
    { id: 'c', kind: 'words', text: 'One word?', settings: {} },
    { id: 'h', kind: 'hidden-text', text: 'A hint', settings: { hidden: 'Look up.', opens: 'group' } },
    { id: 'd', kind: 'words', text: 'Another?', settings: {}, part: 'later' },
  ].map(prompt => promptSchema.parse(prompt))
  const parts = [{ id: 'later', title: 'Later', steps: [], opens: 'done' as const }]
  const session = inRooms({ board: { title: 'Notes', steps: [], prompts, parts } })
  const did = live(session, 'ana', { writes: 'much' }, 3, 9 * MINUTE)
  expect([...kinds(did)]).toEqual(expect.arrayContaining(['write', 'open-hidden-text-here', 'say-part-done']))
  const written = did.flatMap(one => (one.does === 'write' ? [one.prompt.id] : []))
  expect(written.slice(0, 8)).toEqual(['c', 'c', 'c', 'c', 'd', 'd', 'd', 'd'])
})
