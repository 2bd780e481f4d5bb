import { jest } from '@jest/globals'
import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import type { StreamMessage } from '~/contracts/live'
import { Readers } from './readers.server'

const MANY = 60
/** On a clock that only telling somebody moves, by so many milliseconds each. */
const EACH_TAKES = 1
let now = 0
beforeEach(() => {
  now = 0
  jest.spyOn(performance, 'now').mockImplementation(() => now)
  jest.useFakeTimers({ doNotFake: ['performance'] })
})
afterEach(() => {
  jest.useRealTimers()
  jest.restoreAllMocks()
})

/** Many who follow as Ana, with how many texts each has been told. */
function followed() {
  const session = new Rehearsed()
  session.join(0, 'ana')
  const failures: unknown[] = []
  const readers = new Readers({
    state: () => session.state,
    marks: () => [],
    hello: () => ({ kind: 'hello', now: 0 }),
    failed: error => failures.push(error),
  })
  const texts = Array.from({ length: MANY }, (): string[] => [])
  const take = (place: number, message: StreamMessage) => {
    if (message.kind !== 'change') return
    now += EACH_TAKES
    texts[place]?.push(...(message.added.messages ? [JSON.stringify(message.added.messages)] : []))
  }
  const leave = texts.map((_, place) =>
    readers.add({ kind: 'participant', participantId: 'ana' }, null, message => take(place, message)),
  )
  const say = (text: string) =>
    session.tell(0, facilitator, { type: 'broadcast', messageId: text, text: `Said: ${text}` })
  return { readers, failures, say, leave, texts, told: () => texts.map(({ length }) => length) }
}

/** The event loop comes round. */
const turn = () => jest.advanceTimersByTime(1)
/** How many of all were told how often, each in a row: `31 x 1, 29 x 0`. */
const inWords = (told: number[]) => {
  const runs: [number, number][] = []
  for (const times of told) {
    const last = runs.at(-1)
    if (last?.[1] === times) last[0]++
    else runs.push([1, times])
  }
  return runs.map(([number, times]) => `${number} x ${times}`).join(', ')
}

test('many are told in several turns of the event loop, each of them once', () => {
  const { readers, say, told } = followed()
  say('one')
  readers.tellSoon(true)
  expect(inWords(told())).toBe('31 x 1, 29 x 0')
  turn()
  expect(inWords(told())).toBe('60 x 1')
  turn()
  expect(inWords(told())).toBe('60 x 1')
})

test('of two things said one right after the other everybody hears both, who waited first', () => {
  const { readers, say, told, texts } = followed()
  say('one')
  readers.tellSoon(true)
  say('two')
  readers.tellSoon(true)
  expect(inWords(told())).toBe('2 x 2, 58 x 1')
  turn()
  turn()
  for (const heard of texts) {
    const all = heard.join(' ')
    for (const text of ['Said: one', 'Said: two']) expect(all.split(text)).toHaveLength(2)
  }
})

test('after many were told, what nobody waits for is told when as much time as four times that has gone by; what a facilitator does at once', () => {
  const { readers, say, told } = followed()
  say('one')
  readers.tellSoon(true)
  turn()
  say('two')
  readers.tellSoon(false)
  now += 239
  jest.advanceTimersByTime(239)
  expect(inWords(told())).toBe('60 x 1')
  now += 1
  jest.advanceTimersByTime(1)
  turn()
  expect(inWords(told())).toBe('60 x 2')
  say('three')
  readers.tellSoon(true)
  turn()
  expect(inWords(told())).toBe('60 x 3')
})

test('of two things said one right after the other the rest is as long as both took', () => {
  const { readers, say, told } = followed()
  say('one')
  readers.tellSoon(true)
  say('two')
  readers.tellSoon(true)
  readers.tellSoon(true)
  turn()
  say('three')
  readers.tellSoon(false)
  const before = inWords(told())
  now += 300
  jest.advanceTimersByTime(300)
  expect(inWords(told())).toBe(before)
  now += 100
  jest.advanceTimersByTime(100)
  turn()
  expect(inWords(told())).not.toBe(before)
})

test('what happens while many are told is told them afterwards, though nobody asks for it again', () => {
  const { readers, say, told } = followed()
  say('one')
  readers.tellSoon(false)
  say('two')
  readers.tellSoon(false)
  expect(inWords(told())).toBe('31 x 1, 29 x 0')
  turn()
  // Those who waited are told of both in one.
  expect(inWords(told())).toBe('60 x 1')
  now += 240
  jest.advanceTimersByTime(240)
  turn()
  expect(inWords(told())).toBe('31 x 2, 29 x 1')
})

test('whoever leaves while others are told hears nothing more, and who cannot be told keeps nobody from hearing', () => {
  const { readers, say, told, leave, failures } = followed()
  readers.add({ kind: 'participant', participantId: 'ana' }, null, message => {
    if (message.kind === 'change') throw new Error('Gone')
  })
  say('one')
  readers.tellSoon(true)
  leave[59]?.()
  turn()
  expect(inWords(told())).toBe('59 x 1, 1 x 0')
  expect(failures).toEqual([new Error('Gone')])
  expect(readers.count).toBe(59)
})

test('who drops between something beside the view and what waits to be told is told that when they come back', () => {
  const { readers, say } = followed()
  const heard: string[] = []
  let last = 0
  const follow = (from: number | null) =>
    readers.add({ kind: 'participant', participantId: 'ana' }, from, (message, seq) => {
      heard.push(`${message.kind} ${JSON.stringify(message)}`)
      last = seq
    })
  const drop = follow(null)
  say('one')
  readers.tellSoon(true)
  turn()
  say('two')
  readers.tellSoon(false)
  readers.greet()
  drop()
  expect(heard.join(' ')).not.toContain('Said: two')
  follow(last)
  expect(heard.at(-1)).toMatch(/^change .*Said: two/)
  expect(heard.at(-1)).not.toContain('Said: one')
})

test('who drops right after being told the time, and nothing else yet, gets the whole view', () => {
  const { readers } = followed()
  const heard: { kind: string; seq: number }[] = []
  const follow = (from: number | null) =>
    readers.add({ kind: 'participant', participantId: 'ana' }, from, ({ kind }, seq) => {
      heard.push({ kind, seq })
    })
  follow(null)
  const [time] = heard.splice(0)
  follow(time?.seq ?? null)
  expect(heard.map(({ kind }) => kind)).toEqual(['hello', 'view'])
})

test('of states that somebody was told the latest hundred are known; who was told an earlier one gets the whole view', () => {
  const { readers, say } = followed()
  const seqs: number[] = []
  readers.add({ kind: 'participant', participantId: 'ana' }, null, (_message, seq) => void seqs.push(seq))
  for (let number = 0; number < 120; number++) {
    say(`${number}`)
    readers.tellSoon(true)
    readers.finish()
  }
  const from = (seq: number | undefined) => {
    const kinds: string[] = []
    readers.add(
      { kind: 'participant', participantId: 'ana' },
      seq ?? null,
      ({ kind }) => void kinds.push(kind),
    )
    return kinds.at(-1)
  }
  expect(seqs).toHaveLength(122)
  expect(from(seqs.at(-101))).toBe('view')
  expect(from(seqs.at(-100))).toBe('change')
})

test('at the end all that waits is told in one turn', () => {
  const { readers, say, told, texts } = followed()
  say('one')
  readers.tellSoon(true)
  say('two')
  readers.tellSoon(false)
  readers.finish()
  for (const heard of texts) expect(heard.join(' ')).toMatch(/Said: one.*Said: two/s)
  expect(told().every(times => times > 0)).toBe(true)
})
