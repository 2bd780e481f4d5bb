import { door, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { fold } from '../evolve'
import { facilitatorView } from '../views'
import type { CohortList } from './list'

const listed = (personId: string, shownName: string, fullName = shownName) => ({
  personId,
  shownName,
  fullName,
})
const LIST: CohortList = {
  name: 'Evening course',
  people: [
    listed('z', 'Zofia K.', 'Zofia Kowalska'),
    listed('m', 'Marta N.', 'Marta Nowak'),
    listed('j', 'Jon A.', 'Jon Aas'),
  ],
}
const ids = Array.from({ length: 500 }, (_, number) => `new${number}`)

/** A session begun on the spot, into which people have come by names they typed. */
function begun(...names: string[]) {
  const session = new Rehearsed({ people: [], rooms: [] })
  for (const shownName of names)
    session.tell(1, door, { type: 'join', participantId: shownName, personId: null, shownName })
  return session
}
const attach = (session: Rehearsed, list: CohortList | null = LIST, cohortId = 'c') =>
  session.tell(2, facilitator, { type: 'attach-cohort', cohortId, list })
const people = (session: Rehearsed) =>
  facilitatorView(session.state).people.map(({ shownName, onList }) => [shownName, onList])
const match = (session: Rehearsed, ...pairs: [string, string][]) =>
  session.tell(3, facilitator, {
    type: 'match-people',
    matches: pairs.map(([participantId, personId]) => ({ participantId, personId })),
  })

test('a cohort that is attached finds those whose names it knows, and shows them by its own', () => {
  const session = begun('zofia kowalska', 'Martha', 'Quux')
  expect(attach(session)).toEqual(['cohort-attached'])
  expect(people(session)).toEqual([
    ['Zofia K.', true],
    ['Martha', false],
    ['Quux', false],
  ])
  const view = facilitatorView(session.state)
  expect(view.cohort).toEqual({ id: 'c', name: 'Evening course' })
  expect(view.expected.map(person => person.personId)).toEqual(['m', 'j'])
  expect(attach(session)).toEqual([])
  // Whoever comes from now on chooses their name from the list.
  expect(
    session.tell(4, door, { type: 'join', participantId: 'x', personId: null, shownName: 'jon a.' }),
  ).toBe('name-taken')
  expect(
    session.tell(4, door, { type: 'join', participantId: 'x', personId: 'j', shownName: 'Jon A.' }),
  ).toEqual(['joined'])
})

test('a session that was planned for a cohort keeps its list, and one that is not there is not attached', () => {
  expect(attach(new Rehearsed())).toBe('has-list')
  expect(attach(begun(), null)).toBe('no-such-cohort')
  expect(attach(begun(), { name: 'Empty', people: [] })).toEqual(['cohort-attached'])
})

test('the wrong cohort is put right: everybody is who they said they were, and is looked for anew', () => {
  const session = begun('Zofia Kowalska', 'Ida')
  attach(session)
  match(session, ['Ida', 'm'])
  expect(people(session)).toEqual([
    ['Zofia K.', true],
    ['Marta N.', true],
  ])
  expect(attach(session, { name: 'Weekend', people: [listed('i', 'Ida')] }, 'w')).toEqual(['cohort-attached'])
  expect(people(session)).toEqual([
    ['Zofia Kowalska', false],
    ['Ida', true],
  ])
})

test('who was found by likeness is matched, several at once; what no longer fits is left out', () => {
  const session = begun('Zofja', 'Martha', 'Quux')
  attach(session)
  expect(match(session, ['Zofja', 'z'], ['Martha', 'z'], ['Quux', 'nobody'], ['gone', 'm'])).toEqual([
    'people-matched',
  ])
  expect(people(session)).toEqual([
    ['Zofia K.', true],
    ['Martha', false],
    ['Quux', false],
  ])
  expect(match(session, ['Martha', 'z'])).toBe('not-to-match')
  expect(match(session, ['Zofja', 'm'])).toBe('not-to-match')
})

test('a match is taken back, and the name they came with stands again', () => {
  const session = begun('Zofja', 'Martha')
  attach(session)
  match(session, ['Zofja', 'z'])
  const unmatch = (id: string) =>
    session.tell(4, facilitator, { type: 'unmatch-people', participantIds: [id] })
  expect(unmatch('Martha')).toBe('not-to-match')
  expect(unmatch('Zofja')).toEqual(['people-unmatched'])
  expect(people(session)[0]).toEqual(['Zofja', false])
})

test('a name that somebody came in under stays theirs, as it may stand again', () => {
  const session = begun('Zofja')
  attach(session)
  match(session, ['Zofja', 'z'])
  const join = { type: 'join', participantId: 'x', personId: null, shownName: 'zofja' } as const
  expect(session.tell(4, door, join)).toBe('name-taken')
})

test('walk-ins are put on the list by what they typed, once, and have the room they had', () => {
  const session = begun('Quux Bar', 'Ida')
  const list = (...participantIds: string[]) =>
    session.tell(5, facilitator, { type: 'list-people', participantIds, ids })
  expect(list('Ida')).toBe('no-list')
  attach(session)
  expect(list('Ida', 'Ida', 'gone')).toEqual(['people-listed'])
  expect(list('Ida')).toBe('nobody-to-list')
  expect(session.state.participants.get('Ida')).toMatchObject({ personId: 'new0', shownName: 'Ida' })
  expect(session.state.expected.at(-1)).toEqual({ personId: 'new0', shownName: 'Ida', roomId: null })
  // In a session with a list from its plan as well.
  const planned = new Rehearsed()
  planned.tell(1, door, { type: 'join', participantId: 'w', personId: null, shownName: 'Walter' })
  expect(planned.tell(2, facilitator, { type: 'list-people', participantIds: ['w'], ids })).toEqual([
    'people-listed',
  ])
  expect(fold(session.log)).toEqual(session.state)
})
