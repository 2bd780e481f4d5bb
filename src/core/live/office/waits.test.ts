import { mean } from 'simple-statistics'
import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Office } from './office-facts'
import { expectedWait, nextUp, paceOf } from './waits'

const MINUTE = 60_000
const hours = (change: Partial<Office> = {}): Office => ({
  minutes: 10,
  times: [],
  lost: {},
  line: [],
  now: null,
  seen: [],
  ...change,
})
const time = (id: string, minute: number, takenBy: string | null) => ({
  id,
  at: minute * MINUTE,
  takenBy,
  about: '',
})
const wait = (office: Office, ahead: number, minute: number) =>
  expectedWait(paceOf(office), ahead, minute * MINUTE) / MINUTE

const stayed = (length: number) => ({
  participantIds: ['x'],
  startedAt: 0,
  endedAt: length * MINUTE,
  about: '',
  inLineSince: {},
})

test('with nobody there one comes at once; each who is ahead takes as long as is expected', () => {
  expect([0, 1, 3].map(ahead => wait(hours(), ahead, 0))).toEqual([0, 10, 30])
})

test('how long people really stayed tells how long the next will', () => {
  const seen = [2, 4, 4].map(stayed)
  // Ten as was thought, then 2, 4 and 4: five in the middle.
  expect(wait(hours({ seen }), 2, 60)).toBe(10)
})

test('of who is there now is left what was left of those who stayed longer, or half a length', () => {
  const seen = [4, 20].map(stayed)
  const now = { roomId: 'r', participantIds: ['y'], startedAt: 100 * MINUTE, about: '', inLineSince: {} }
  const there = hours({ seen, now })
  // After 6 minutes: of 10 are left 4, of 20 are left 14.
  expect(wait(there, 0, 106)).toBeCloseTo(9, 9)
  expect(wait(there, 0, 125)).toBeCloseTo((10 + 4 + 20) / 3 / 2, 9)
})

test('whoever has taken a time comes then, before the line', () => {
  const office = hours({
    times: [time('a', 15, 'ana'), time('b', 25, null)],
    line: ['bo', 'chi', 'dora'].map(participantId => ({ participantId, about: '', since: 0 })),
  })
  // Bo at once, Chi at 10, Ana at 20 instead of 15, then Dora.
  expect([0, 1, 2].map(ahead => wait(office, ahead, 0))).toEqual([0, 10, 30])
  expect(nextUp(office, 13 * MINUTE)).toEqual(['bo', 'chi', 'dora'])
  expect(nextUp(office, 14 * MINUTE)).toEqual(['ana', 'bo', 'chi', 'dora'])
  expect(nextUp(office, 90 * MINUTE)).toEqual(['ana', 'bo', 'chi', 'dora'])
})

/** Numbers as if by chance, the same in every run (a linear congruential generator with the numbers of Numerical Recipes, from memory). */
function chance(seed: number) {
  let at = seed
  return () => {
    at = (Math.imul(at, 1_664_525) + 1_013_904_223) >>> 0
    return (at + 1) / 2 ** 32
  }
}

// J. D. C. Little, "A Proof for the Queuing Formula: L = λW", Operations Research 9 (1961): the mean number in line is the rate of coming
// times the mean wait. And what people are told when they come is, in the mean, how long they then wait.
test('over an afternoon that never ends the line keeps to Little’s law, and what people are told is how long they wait', () => {
  const random = chance(7)
  const after = (each: number) => Math.max(1, Math.round(-Math.log(random()) * each * MINUTE))
  const session = new Rehearsed()
  session.tell(0, facilitator, { type: 'open-office', minutes: 8 })
  let now = 0
  let comes = after(10)
  let ends = Number.POSITIVE_INFINITY
  let inLineFor = 0
  const toldTo = new Map<string, { told: number; at: number }>()
  const waits: { told: number; waited: number }[] = []
  const office = () => session.state.office as Office
  const seeNext = () => {
    const [next] = nextUp(office(), now)
    if (next === undefined) return
    const came = toldTo.get(next) ?? { told: 0, at: now }
    waits.push({ told: came.told, waited: now - came.at })
    const done = session.tell(now, facilitator, {
      type: 'see',
      participantIds: [next],
      instead: null,
      ids: [`room-${waits.length}`, `copy-${waits.length}`],
    })
    expect(done).toContain('seeing-begun')
    ends = now + after(8)
  }
  for (let number = 0; waits.length < 400; ) {
    const then = Math.min(comes, ends)
    inLineFor += office().line.length * (then - now)
    now = then
    if (now === comes) {
      const id = `p${number++}`
      session.tell(now, door, {
        type: 'join',
        participantId: id,
        personId: null,
        shownName: `Person ${number}`,
      })
      session.tell(now, facilitator, { type: 'let-in', participantIds: [id] })
      toldTo.set(id, { told: expectedWait(paceOf(office()), office().line.length, now), at: now })
      session.tell(now, participant(id), { type: 'join-line', about: '' })
      comes = now + after(10)
      if (office().now === null) seeNext()
    } else {
      session.tell(now, facilitator, {
        type: 'end-seeing',
        roomId: office().now?.roomId ?? '',
        putBack: false,
      })
      // Whoever is through goes home.
      ends = Number.POSITIVE_INFINITY
      seeNext()
    }
  }
  const rate = waits.length / now
  const inLine = inLineFor / now
  expect(inLine).toBeGreaterThan(1)
  expect(rate * mean(waits.map(({ waited }) => waited))).toBeCloseTo(inLine, 0)
  expect(Math.abs(rate * mean(waits.map(({ waited }) => waited)) - inLine) / inLine).toBeLessThan(0.05)
  const told = mean(waits.map(each => each.told))
  const waited = mean(waits.map(each => each.waited))
  expect(Math.abs(told - waited) / waited).toBeLessThan(0.2)
  // Nobody is moved by the clock of rounds meanwhile.
  expect(session.tell(now, clock, { type: 'warn', secondsLeft: 300 })).not.toContain('round-ended')
})
