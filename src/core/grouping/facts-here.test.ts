import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { PastSession } from '../history/pairs'
import { factsHere } from './facts-here'

const MINUTE = 60_000
const NOBODY_KNOWN = { people: [], rules: [], columns: [], past: [], groupings: [] }

/** Ana, Bo and Chi of the list and Zoë, who is on none; two rooms, and rounds of ten minutes. */
function session() {
  const rehearsed = new Rehearsed()
  rehearsed.join(1, 'ana', 'bo', 'chi')
  rehearsed.tell(1, door, { type: 'join', participantId: 'zoe', personId: null, shownName: 'Zoë' })
  rehearsed.tell(1, door, { type: 'connect', participantId: 'zoe' })
  return rehearsed
}
function round(rehearsed: Rehearsed, from: number, to: number, where: Record<string, string>) {
  for (const [participantId, roomId] of Object.entries(where))
    rehearsed.tell(from, facilitator, { type: 'place', participantId, roomId })
  rehearsed.tell(from, facilitator, { type: 'send-out', seconds: 600 })
  rehearsed.tell(to, facilitator, { type: 'call-back' })
  rehearsed.tell(to, { kind: 'clock' }, { type: 'finish-grace' })
}
const pairs = (facts: ReturnType<typeof factsHere>) =>
  facts.history.map(([key, { times, lastTitle }]) => [key, times, lastTitle]).toSorted()

test('who was in a room together in an earlier round of this session has met, on a list or not', () => {
  const rehearsed = session()
  round(rehearsed, MINUTE, 6 * MINUTE, { ana: 'reeds', zoe: 'reeds', bo: 'birds', chi: 'birds' })
  round(rehearsed, 7 * MINUTE, 12 * MINUTE, { ana: 'reeds', zoe: 'birds', bo: 'reeds', chi: 'birds' })
  expect(pairs(factsHere(rehearsed.state, rehearsed.log, null, 13 * MINUTE))).toEqual([
    ['ana bo', 1, 'Round 2'],
    ['ana zoe', 1, 'Round 1'],
    ['bo chi', 1, 'Round 1'],
    ['chi zoe', 1, 'Round 2'],
  ])
})

test('the round that runs counts up to now, and a passing through does not', () => {
  const rehearsed = session()
  for (const participantId of ['ana', 'bo', 'chi'])
    rehearsed.tell(2, facilitator, { type: 'place', participantId, roomId: 'reeds' })
  rehearsed.tell(MINUTE, facilitator, { type: 'send-out', seconds: 600 })
  rehearsed.tell(MINUTE + 4_000, facilitator, { type: 'place', participantId: 'chi', roomId: 'birds' })
  expect(pairs(factsHere(rehearsed.state, rehearsed.log, null, MINUTE + 60_000))).toEqual([
    ['ana bo', 1, 'Round 1'],
  ])
})

test('sessions before count for those of the list who are here, and this one is the latest', () => {
  const rehearsed = session()
  round(rehearsed, MINUTE, 6 * MINUTE, { ana: 'reeds', bo: 'reeds', chi: 'birds', zoe: 'birds' })
  const past: PastSession[] = [
    {
      id: 's',
      title: 'Evening 1',
      at: -5,
      day: '2026-11-01',
      meetings: [
        { pair: ['p-ana', 'p-bo'], minutes: 12 },
        { pair: ['p-ana', 'p-gone'], minutes: 12 },
      ],
    },
  ]
  const facts = factsHere(rehearsed.state, rehearsed.log, { ...NOBODY_KNOWN, past }, 9 * MINUTE)
  expect(pairs(facts)).toEqual([
    ['ana bo', 2, 'Round 1'],
    ['chi zoe', 1, 'Round 1'],
  ])
  // The first of two weighs 1, the second 2.
  expect(new Map(facts.history).get('ana bo')).toMatchObject({ weight: 3, minutes: 17 })
})

test('rules and columns of the cohort speak of people by the ids they have here', () => {
  const rehearsed = session()
  const facts = factsHere(
    rehearsed.state,
    rehearsed.log,
    {
      ...NOBODY_KNOWN,
      people: [{ id: 'p-ana', trainedToLead: true, columns: { Parish: 'Saltby' } }],
      columns: [{ name: 'Parish', kind: 'text' }],
      rules: [
        { id: 'r', reason: 'private', kind: 'apart', personIds: ['p-ana', 'p-bo', 'p-gone'] },
        { id: 'l', reason: '', kind: 'lead-in-each' },
      ],
    },
    0,
  )
  expect(facts.people).toEqual([
    { id: 'ana', trainedToLead: true, columns: { Parish: 'Saltby' } },
    { id: 'bo', trainedToLead: false, columns: {} },
    { id: 'chi', trainedToLead: false, columns: {} },
    { id: 'zoe', trainedToLead: false, columns: {} },
  ])
  expect(facts.rules[0]).toMatchObject({ personIds: ['ana', 'bo', 'p-gone'] })
  expect(facts.rules[1]).toMatchObject({ kind: 'lead-in-each' })
})

test('groupings kept with the cohort are there round by round, with those of each group who are here', () => {
  const { state, log } = session()
  const group = (name: string, ...personIds: string[]) => ({ id: name, name, personIds })
  const groupings = [
    { id: 'f', name: 'Fixed', rounds: [[group('Reeds', 'p-ana', 'p-gone'), group('Birds', 'p-gone2')]] },
    { id: 't', name: 'Two', rounds: [[group('A', 'p-bo')], [group('B', 'p-chi', 'p-bo')]] },
  ]
  expect(factsHere(state, log, { ...NOBODY_KNOWN, groupings }, 0).saved).toEqual([
    {
      id: 'f 1',
      name: 'Fixed',
      groups: [
        { name: 'Reeds', participantIds: ['ana'] },
        { name: 'Birds', participantIds: [] },
      ],
    },
    { id: 't 1', name: 'Two, round 1', groups: [{ name: 'A', participantIds: ['bo'] }] },
    { id: 't 2', name: 'Two, round 2', groups: [{ name: 'B', participantIds: ['chi', 'bo'] }] },
  ])
})

test('nobody, and no round, is no fault', () => {
  const rehearsed = new Rehearsed({ people: [], rooms: [] })
  expect(factsHere(rehearsed.state, rehearsed.log, null, 5)).toEqual({
    people: [],
    rules: [],
    columns: [],
    asked: [],
    history: [],
    saved: [],
  })
})

test('who has answered a quick question what is a column to make groups by, also of people on no list', () => {
  const rehearsed = session()
  const ask = (questionId: string, text: string) =>
    rehearsed.tell(2, facilitator, { type: 'ask-question', questionId, text, answers: ['Rain', 'Sun'] })
  const answer = (id: string, questionId: string, place: number) =>
    rehearsed.tell(3, participant(id), { type: 'answer-question', questionId, answer: place })
  ask('nobody answers', 'Not this one')
  ask('first', '')
  answer('ana', 'first', 1)
  ask('second', 'parish')
  answer('zoe', 'second', 0)
  ask('third', 'constructor')
  answer('bo', 'third', 0)
  const parish = { name: 'parish', kind: 'text' as const }
  const known = {
    ...NOBODY_KNOWN,
    columns: [parish],
    people: [{ id: 'p-ana', trainedToLead: true, columns: { parish: 'Reeds' } }],
  }
  const facts = factsHere(rehearsed.state, rehearsed.log, known, 4)
  expect(facts.columns).toEqual([
    parish,
    { name: 'question 2', kind: 'text' },
    { name: 'parish (question 3)', kind: 'text' },
    { name: 'constructor (column)', kind: 'text' },
  ])
  expect(facts.asked[0]).toEqual({ questionId: 'first', column: 'question 2' })
  const columnsOf = (id: string) => facts.people.find(person => person.id === id)?.columns
  expect(columnsOf('ana')).toEqual({
    parish: 'Reeds',
    'question 2': 'Sun',
    'parish (question 3)': '',
    'constructor (column)': '',
  })
  expect(columnsOf('zoe')).toMatchObject({ 'question 2': '', 'parish (question 3)': 'Rain' })
  expect(columnsOf('bo')).toMatchObject({ 'constructor (column)': 'Rain' })
})
