import { asc, eq } from 'drizzle-orm'
import { pino } from 'pino'
import { value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import type { GivenAnswer } from '~/core/live/questions/question'
import { facilitatorView, participantView } from '~/core/live/views'
import { sessionEvents } from '../db/schema.server'
import { AnswersApart } from './answers-apart.server'
import { askAsFacilitator, askAsParticipant } from './requests.server'

let running: Awaited<ReturnType<typeof runningServer>>
let people: string[]
beforeEach(async () => {
  running = await runningServer()
  people = ['eli', 'fay', 'gus', 'hao', 'ida', 'jan', 'kim']
  for (const participantId of people) {
    const join = { type: 'join' as const, participantId, personId: null, shownName: participantId }
    value(await running.hub.command(running.sessionId, { kind: 'door' }, join))
  }
  await ask()
})
afterEach(() => running.stop())

const facilitate = (request: Parameters<typeof askAsFacilitator>[3]) =>
  askAsFacilitator(running, running.by, running.sessionId, request)
const ask = () =>
  facilitate({ type: 'ask-question', text: 'Afraid?', answers: ['Yes', 'No'], anonymous: true })
const state = () => running.hub.state(running.sessionId)
const questionId = async () => (await state()).questions.at(-1)?.id ?? ''
const give = async (person: number, answer: GivenAnswer, by = running.answersApart) =>
  askAsParticipant({ ...running, answersApart: by }, running.sessionId, people[person] ?? '', {
    type: 'answer-question',
    questionId: await questionId(),
    answer: answer as number,
  })
const results = async () => facilitatorView(await state()).questionNow?.results
const close = async () => facilitate({ type: 'close-question', questionId: await questionId() })
/** What of the question is on disk, in the order in which it was written. */
async function written() {
  const rows = await running.db
    .select()
    .from(sessionEvents)
    .where(eq(sessionEvents.sessionId, running.sessionId))
    .orderBy(asc(sessionEvents.seq))
  return rows.filter(({ type }) => type.startsWith('answer'))
}
const batches = async () =>
  (await written()).flatMap(({ type, payload }) =>
    type === 'answers-drawn' ? [payload as { participantIds: string[]; answers: number[] }] : [],
  )
/** Batches are written beside what was asked for. */
async function until(done: () => Promise<boolean>) {
  for (let tries = 0; tries < 200 && !(await done()); tries++)
    await new Promise(resolve => setTimeout(resolve, 10))
  expect(await done()).toBe(true)
}

test('what was answered is on disk only in lots of three or more, without its giver; each is counted once', async () => {
  const outcomes = await Promise.all([0, 1, 1, 1, 0, 1, 1].map((answer, person) => give(person, answer)))
  expect(outcomes.every(({ ok }) => ok)).toBe(true)
  await until(async () => (await batches()).length > 0)
  await close()
  await until(async () => (await batches()).flatMap(({ answers }) => answers).length === 7)
  for (const { participantIds, answers } of await batches()) {
    expect(answers.length).toBeGreaterThanOrEqual(3)
    expect(participantIds).toEqual([...participantIds].sort())
  }
  expect(await results()).toMatchObject({ answered: 7, counts: [2, 5] })
  // Nothing else that was written says what anybody answered.
  for (const { type, payload } of await written())
    if (type !== 'answers-drawn')
      expect(Object.keys(payload as object).sort()).toEqual(['participantId', 'questionId', 'type'])
})

test('those who lead see no names, and everybody of their own answer only that it is in', async () => {
  for (const [person, answer] of [0, 1, 1, 1, 0, 1].entries()) await give(person, answer)
  await until(async () => (await batches()).length > 0)
  const now = await state()
  expect(facilitatorView(now).questionNow).toMatchObject({ named: [], change: null })
  expect(people.map(id => participantView(now, id)?.myAnswer)).toEqual([
    ...Array.from({ length: 6 }, () => 'apart'),
    null,
  ])
})

test('the same person twice at the same moment counts once; a second answer is refused, and says why', async () => {
  const twice = await Promise.all([give(0, 0), give(0, 1)])
  expect(twice.map(({ ok }) => ok).sort()).toEqual([false, true])
  expect(await give(0, 1)).toEqual({ ok: false, problem: { code: 'answered-already' } })
  expect(await results()).toMatchObject({ answered: 1 })
})

test('what is no answer is refused before anything is noted', async () => {
  expect(await give(0, 7)).toMatchObject({ ok: false, problem: { code: 'not-an-answer' } })
  expect(await written()).toEqual([])
})

test('of two answers nothing is ever on disk', async () => {
  await give(0, 0)
  await give(1, 1)
  await close()
  await running.answersApart.stop()
  expect(await batches()).toEqual([])
  expect(await results()).toMatchObject({ answered: 2, tooFew: true, counts: [0, 0] })
})

test.each([
  ['the next question', () => ask()],
  ['the end of the session', () => facilitate({ type: 'end' })],
])('what was held when %s came is written down', async (_, happen) => {
  const asked = await questionId()
  for (const person of [0, 1, 2]) await give(person, 1)
  expect(await batches()).toEqual([])
  await happen()
  await until(async () => (await batches()).length === 1)
  expect((await state()).answersApart.get(asked)?.answers).toEqual([1, 1, 1])
})

test('a server that ends in good order writes down what it can', async () => {
  for (const person of [0, 1, 2, 3]) await give(person, 1)
  await running.answersApart.stop()
  expect((await batches()).map(({ answers }) => answers.length)).toEqual([4])
})

test('answers that a killed server held are asked for anew: none is counted twice, and none is lost without a word', async () => {
  const killed = new AnswersApart(running.hub, pino({ enabled: false }))
  for (const person of [0, 1, 2, 3]) await give(person, 1, killed)
  const next = new AnswersApart(running.hub, pino({ enabled: false }))
  await next.takeUp(running.sessionId)
  await next.takeUp(running.sessionId)
  expect(participantView(await state(), people[0] ?? '')?.myAnswer).toBeNull()
  expect(await results()).toMatchObject({ answered: 0 })
  for (const person of [0, 1, 2]) expect(await give(person, 0, next)).toMatchObject({ ok: true })
  await next.stop()
  expect(await results()).toMatchObject({ answered: 3, counts: [3, 0] })
})

test('a question with names is answered with names, by the same way', async () => {
  await facilitate({ type: 'ask-question', text: '', answers: ['', ''] })
  expect(await give(0, 1)).toMatchObject({ ok: true })
  expect(facilitatorView(await state()).questionNow).toMatchObject({ named: [{ answer: 'B' }] })
})
