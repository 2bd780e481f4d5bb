import { mean } from 'simple-statistics'
import { officeHours } from 'tests/fixtures/office-hours'
import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { whoCame } from './office'

const MINUTE = 60_000

function office() {
  const session = officeHours()
  const join = (at: number, id: string, about = '') =>
    session.tell(at * MINUTE, participant(id), { type: 'join-line', about })
  const see = (at: number, id: string, ...participantIds: string[]) =>
    session.tell(at * MINUTE, facilitator, {
      type: 'see',
      participantIds,
      instead: session.state.office?.now?.roomId ?? null,
      ids: [id, `copy-${id}`],
    })
  return { session, join, see }
}

test('who came, about what, how long they waited and stayed; who is there still has stayed until now', () => {
  const { session, join, see } = office()
  join(1, 'ana', 'My essay')
  join(2, 'bo')
  see(4, 'one', 'ana')
  see(10, 'two', 'bo')
  join(11, 'chi')
  const came = whoCame(session.state, 14 * MINUTE)
  expect(came).toEqual({
    visits: [
      { names: ['Ana'], about: 'My essay', at: 4 * MINUTE, stayedMs: 6 * MINUTE, waitedMs: 3 * MINUTE },
      { names: ['Bo'], about: '', at: 10 * MINUTE, stayedMs: 4 * MINUTE, waitedMs: 8 * MINUTE },
    ],
    meanStayMs: mean([6, 4]) * MINUTE,
    meanWaitMs: mean([3, 8]) * MINUTE,
    stillInLine: ['Chi'],
  })
})

test('of several who come together the longest wait counts; who took a time has waited for nothing', () => {
  const { session, join, see } = office()
  join(1, 'ana')
  join(3, 'bo')
  see(5, 'one', 'ana', 'bo')
  session.tell(6 * MINUTE, facilitator, {
    type: 'offer-times',
    from: 9 * MINUTE,
    count: 1,
    minutes: 10,
    ids: ['t'],
  })
  session.tell(7 * MINUTE, participant('chi'), { type: 'take-time', timeId: 't', about: 'A plan' })
  see(9, 'two', 'chi')
  session.tell(12 * MINUTE, facilitator, { type: 'end-seeing', roomId: 'two', putBack: false })
  expect(whoCame(session.state, 20 * MINUTE)?.visits).toMatchObject([
    { names: ['Ana', 'Bo'], waitedMs: 4 * MINUTE },
    { names: ['Chi'], about: 'A plan', waitedMs: null, stayedMs: 3 * MINUTE },
  ])
})

test('where nobody came there are no means, and a session that is no office hours has none of it', () => {
  expect(whoCame(office().session.state, 0)).toEqual({
    visits: [],
    meanStayMs: null,
    meanWaitMs: null,
    stillInLine: [],
  })
  expect(whoCame(new Rehearsed({ rooms: [], people: [] }).state, 0)).toBeNull()
})
