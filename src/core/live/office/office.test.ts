import { officeHours } from 'tests/fixtures/office-hours'
import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { mayWriteOn } from '../rights/writers'
import { mayRead } from '../rooms/whereabouts'
import { facilitatorView, participantView, projectorView } from '../views'
import { MOST_TIMES } from './office-facts'

const MINUTE = 60_000

/** Office hours with three people who have come, and nobody in line. */
function office() {
  const session = officeHours()
  let number = 0
  return {
    session,
    line: () => session.state.office?.line.map(({ participantId }) => participantId),
    joinLine: (id: string, about = '') => session.tell(2, participant(id), { type: 'join-line', about }),
    see: (participantIds: string[], instead: string | null = null) =>
      session.tell(3, facilitator, {
        type: 'see',
        participantIds,
        instead,
        ids: [`room-${++number}`, `copy-${number}`],
      }),
    end: (roomId: string, putBack = false) =>
      session.tell(4, facilitator, { type: 'end-seeing', roomId, putBack }),
    view: (id: string) => participantView(session.state, id),
  }
}

test('people wait in the order they came, each told only how many are ahead, and go when they like', () => {
  const { session, line, joinLine, view } = office()
  expect(joinLine('ana', ' My essay ')).toEqual(['line-joined'])
  joinLine('bo')
  joinLine('chi', 'Secret of Chi')
  expect(joinLine('ana')).toEqual([])
  expect(line()).toEqual(['ana', 'bo', 'chi'])
  expect(view('ana')?.office?.place).toEqual({ about: 'My essay', ahead: 0 })
  expect(view('chi')?.office?.place?.ahead).toBe(2)
  session.tell(3, participant('ana'), { type: 'leave-line' })
  expect([line(), view('ana')?.office?.place]).toEqual([['bo', 'chi'], null])
  expect(session.tell(3, participant('ana'), { type: 'leave-line' })).toEqual([])
})

test('who is seen is in a room of their own with the facilitator, and its board is theirs alone', () => {
  const { session, joinLine, see, view } = office()
  joinLine('ana', 'My essay')
  joinLine('bo')
  see(['ana'])
  const room = view('ana')?.whereabouts
  expect(room).toMatchObject({ where: 'room', copyId: 'copy-1', members: [{ shownName: 'Ana' }] })
  expect(view('ana')?.visits).toEqual([{ name: 'Marit', writesAs: 'marit' }])
  expect(view('ana')?.clock).toBeNull()
  expect(mayWriteOn(session.state, 'ana', 'copy-1')).toBe(true)
  expect(mayWriteOn(session.state, 'marit', 'copy-1')).toBe(true)
  expect([mayRead(session.state, 'bo', 'copy-1'), view('bo')?.whereabouts.where]).toEqual([false, 'whole'])
  expect(view('bo')?.office?.place?.ahead).toBe(0)
})

test('the next come into another room, and those before them read nothing of it', () => {
  const { session, joinLine, see, view } = office()
  joinLine('ana')
  joinLine('bo')
  see(['ana'])
  expect(see(['bo'], 'room-1')).toContain('seeing-begun')
  expect(view('ana')?.whereabouts.where).toBe('whole')
  expect(view('bo')?.whereabouts).toMatchObject({ where: 'room', copyId: 'copy-2' })
  expect(mayRead(session.state, 'ana', 'copy-2')).toBe(false)
  expect(session.state.office?.seen).toEqual([
    { participantIds: ['ana'], startedAt: 3, endedAt: 3, about: '', inLineSince: { ana: 2 } },
  ])
  expect(session.state.visits.map(({ roomId }) => roomId)).toEqual(['room-2'])
  see(['ana'], 'room-2')
  expect(session.state.rooms.map(({ name }) => name)).toEqual(['Ana', 'Bo', 'Ana · 2'])
})

test('nothing that waiting people, or the projector, are sent names another, or says what they come about', () => {
  const { session, joinLine, see, view } = office()
  joinLine('ana', 'Secret of Ana')
  joinLine('chi', 'Secret of Chi')
  session.tell(2, facilitator, { type: 'offer-times', from: 60 * MINUTE, count: 1, minutes: 10, ids: ['t1'] })
  session.tell(2, participant('chi'), { type: 'take-time', timeId: 't1', about: 'Secret of Chi' })
  see(['ana'])
  const waiting = JSON.stringify(view('bo'))
  for (const hidden of ['Ana', 'Chi', 'Secret', 'ana', 'chi']) expect(waiting).not.toContain(hidden)
  expect(view('bo')?.office?.times).toEqual([{ id: 't1', at: 60 * MINUTE, state: 'taken' }])
  expect(JSON.stringify(projectorView(session.state))).not.toMatch(/Ana|Chi|Secret/)
  expect(JSON.stringify(facilitatorView(session.state))).toContain('Secret of Chi')
})

test('a few come together; and one who is put back is first in line again, with what they came about', () => {
  const { joinLine, see, end, line, view, session } = office()
  for (const id of ['ana', 'bo', 'chi']) joinLine(id, `About ${id}`)
  see(['bo', 'chi'])
  expect(line()).toEqual(['ana'])
  const { whereabouts } = view('bo') ?? {}
  expect(whereabouts?.where === 'room' && whereabouts.members).toHaveLength(2)
  expect(end('room-1', true)).toContain('line-joined')
  expect(line()).toEqual(['bo', 'chi', 'ana'])
  expect(session.state.office?.line[0]?.about).toBe('About bo')
})

test('of two facilitators who go on at the same moment one is told that it has gone on', () => {
  const { joinLine, see, end } = office()
  for (const id of ['ana', 'bo', 'chi']) joinLine(id)
  see(['ana'])
  expect(see(['bo'], 'room-1')).toContain('seeing-begun')
  expect(see(['chi'], 'room-1')).toBe('office-gone-on')
  expect(see(['chi'])).toBe('office-gone-on')
  expect(end('room-1')).toBe('office-gone-on')
  expect(end('room-2')).toContain('seeing-ended')
  expect(see(['nobody'])).toBe('no-such-participant')
})

test('a time is one person’s, who has one at most; it is free again when they give it back or go', () => {
  const { session, view } = office()
  const at = (
    minute: number,
    id: string,
    timeId: string,
    type: 'take-time' | 'give-time-back' = 'take-time',
  ) =>
    session.tell(
      minute * MINUTE,
      participant(id),
      type === 'take-time' ? { type, timeId, about: '' } : { type, timeId },
    )
  const offer = (from: number, count: number, ids: string[]) =>
    session.tell(2, facilitator, { type: 'offer-times', from: from * MINUTE, count, minutes: 10, ids })
  offer(30, 2, ['t1', 't2'])
  // The same times again are there already.
  expect(offer(30, 2, ['t8', 't9'])).toEqual([])
  expect(at(1, 'ana', 't1')).toEqual(['time-taken'])
  expect(at(1, 'bo', 't1')).toBe('time-not-free')
  expect(at(1, 'ana', 't2')).toEqual(['time-given-back', 'time-taken'])
  const states = (id: string) => view(id)?.office?.times.map(({ state }) => state)
  expect([states('ana'), states('bo')]).toEqual([
    ['free', 'mine'],
    ['free', 'taken'],
  ])
  expect(at(1, 'bo', 't2', 'give-time-back')).toEqual([])
  expect(at(1, 'ana', 't2', 'give-time-back')).toEqual(['time-given-back'])
  expect(at(31, 'bo', 't1')).toBe('time-not-free')
  at(2, 'bo', 't2')
  session.tell(9, facilitator, { type: 'release', participantId: 'bo' })
  expect(states('ana')).toEqual(['free', 'free'])
  session.tell(9, facilitator, { type: 'withdraw-time', timeId: 't1' })
  expect(states('ana')).toEqual(['free'])
  expect(
    offer(
      100,
      MOST_TIMES,
      Array.from({ length: MOST_TIMES }, (_, index) => `u${index}`),
    ),
  ).toBe('too-many-times')
})

test('a time that somebody has just taken is not withdrawn as a free one; whoever loses theirs is told, until they have another', () => {
  const { session, joinLine } = office()
  const view = (id: string) => participantView(session.state, id)?.office
  const take = (id: string, timeId: string) =>
    session.tell(3 * MINUTE, participant(id), { type: 'take-time', timeId, about: '' })
  const withdraw = (timeId: string, takenBy?: string | null) =>
    session.tell(4 * MINUTE, facilitator, { type: 'withdraw-time', timeId, takenBy })
  session.tell(2, facilitator, {
    type: 'offer-times',
    from: 30 * MINUTE,
    count: 4,
    minutes: 10,
    ids: ['t1', 't2', 't3', 't4'],
  })
  take('ana', 't1')
  expect(withdraw('t1', null)).toBe('time-of-another')
  expect(withdraw('t1', 'bo')).toBe('time-of-another')
  expect(withdraw('t1', 'ana')).toEqual(['time-withdrawn'])
  expect(withdraw('t1', null)).toEqual([])
  expect([view('ana')?.lostTime, view('bo')?.lostTime]).toEqual([30 * MINUTE, null])
  take('ana', 't2')
  expect(view('ana')?.lostTime).toBeNull()
  // A page of an earlier version does not say whose it was.
  expect(withdraw('t2')).toEqual(['time-withdrawn'])
  expect(view('ana')?.lostTime).toBe(40 * MINUTE)
  joinLine('ana')
  expect(view('ana')?.lostTime).toBeNull()
  expect(withdraw('t3', null)).toEqual(['time-withdrawn'])
  // Of somebody who has gone a time is free.
  take('bo', 't4')
  session.tell(5 * MINUTE, facilitator, { type: 'release', participantId: 'bo' })
  expect(withdraw('t4', null)).toEqual(['time-withdrawn'])
})

test('in every other session there is no line, and office hours do not begin while people are in rooms', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  expect(session.tell(2, participant('ana'), { type: 'join-line', about: '' })).toBe('no-office')
  expect(participantView(session.state, 'ana')?.office).toBeNull()
  session.sendOut(2)
  expect(session.tell(3, facilitator, { type: 'open-office', minutes: 10 })).toBe('already-out')
})

test('who is next is seen also where the page had not yet heard that the one before has gone', () => {
  const { joinLine, see, end } = office()
  for (const id of ['ana', 'bo']) joinLine(id)
  see(['ana'])
  end('room-1')
  expect(see(['bo'], 'room-1')).toContain('seeing-begun')
})
