import { clock, door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { due } from '../due'
import { facilitatorView, participantView, viewFor } from '../views'
import { MOST_QUESTIONS } from './asking'
import type { Asks, GivenAnswer } from './question'
import { resultsOf } from './shown'

const ask = (session: Rehearsed, questionId: string, text: string, answers: string[]) =>
  session.tell(2, facilitator, { type: 'ask-question', questionId, text, answers })
const answer = (session: Rehearsed, id: string, questionId: string, place: number) =>
  session.tell(3, participant(id), { type: 'answer-question', questionId, answer: place })

function asked() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  ask(session, 'q', ' Rain or sun? ', ['Rain', ' Sun '])
  return session
}
const counts = ({ state }: Rehearsed) => state.questions.map(question => resultsOf(state, question).counts)

test('each answers once and may think better of it; facilitators see counts, and nobody else what was answered', () => {
  const session = asked()
  answer(session, 'ana', 'q', 0)
  answer(session, 'bo', 'q', 0)
  expect(answer(session, 'bo', 'q', 0)).toEqual([])
  expect(counts(session)).toEqual([[2, 0]])
  answer(session, 'bo', 'q', 1)
  expect(counts(session)).toEqual([[1, 1]])
  expect(participantView(session.state, 'bo')).toMatchObject({
    question: { id: 'q', text: 'Rain or sun?', asks: { is: 'choice', answers: ['Rain', 'Sun'] } },
    myAnswer: { answer: 1 },
  })
  expect(participantView(session.state, 'chi')?.myAnswer).toBeNull()
  expect(viewFor(session.state, { kind: 'projector' })).toMatchObject({ question: { answered: 2 } })
  expect(JSON.stringify(viewFor(session.state, { kind: 'projector' }))).not.toContain('counts')
})

test('answers that are said aloud are lettered', () => {
  const session = asked()
  ask(session, 'said', '', ['', '', 'Neither'])
  expect(session.state.questions.at(-1)).toMatchObject({
    text: '',
    asks: { is: 'choice', answers: ['A', 'B', 'Neither'] },
  })
})

test('a question closes by hand, by the next one and by the end; then nothing is answered, and what was stays', () => {
  const session = asked()
  answer(session, 'ana', 'q', 1)
  session.tell(4, facilitator, { type: 'close-question', questionId: 'q' })
  expect(session.tell(4, facilitator, { type: 'close-question', questionId: 'q' })).toEqual([])
  expect(answer(session, 'bo', 'q', 0)).toBe('question-closed')
  expect(participantView(session.state, 'ana')).toMatchObject({ question: null, myAnswer: null })
  ask(session, 'second', 'Now?', ['Yes', 'No'])
  ask(session, 'third', 'And now?', ['Yes', 'No'])
  expect(session.state.questions.map(({ isOpen }) => isOpen)).toEqual([false, false, true])
  session.tell(5, facilitator, { type: 'end' })
  expect(session.state.questions.some(({ isOpen }) => isOpen)).toBe(false)
  expect(counts(session)).toEqual([
    [0, 1],
    [0, 0],
    [0, 0],
  ])
})

test('what another has asked meanwhile is not closed unseen; the same asked by both is asked once', () => {
  const session = new Rehearsed()
  const asks = (questionId: string, text: string, over: string | null) =>
    session.tell(2, facilitator, { type: 'ask-question', questionId, text, answers: ['a', 'b'], over })
  asks('one', 'Rain?', null)
  expect(asks('two', 'Sun?', null)).toBe('another-asked')
  expect(asks('two', ' Rain? ', null)).toEqual([])
  // With names or without, it is not the same.
  expect(
    session.tell(2, facilitator, {
      type: 'ask-question',
      questionId: 'two',
      text: 'Rain?',
      answers: ['a', 'b'],
      anonymous: true,
      over: null,
    }),
  ).toBe('another-asked')
  expect(asks('two', 'Sun?', 'one')).toEqual(['question-closed', 'question-asked'])
  // Whoever has the first one still before them, and presses for it once more, would close the second.
  expect(session.tell(3, facilitator, { type: 'ask-again', ofId: 'one', questionId: 'again' })).toBe(
    'another-asked',
  )
  session.tell(3, facilitator, { type: 'close-question', questionId: 'two' })
  expect(asks('three', 'Wind?', 'two')).toEqual(['question-asked'])
})

test.each([
  [['One'], 'answers-number'],
  [['1', '2', '3', '4', '5', '6', '7'], 'answers-number'],
  [['Yes', 'yes '], 'answers-alike'],
  [['', 'a'], 'answers-alike'],
  [['x'.repeat(61), 'y'], 'text-too-long'],
])('answers %j are refused', (answers, code) => {
  expect(ask(asked(), 'other', 'x', answers)).toBe(code)
})

test('a question that is too long and one too many are refused; the same id is asked once', () => {
  const session = asked()
  expect(ask(session, 'long', 'x'.repeat(201), ['a', 'b'])).toBe('text-too-long')
  expect(ask(session, 'q', 'again', ['a', 'b'])).toEqual([])
  for (let number = 1; number < MOST_QUESTIONS; number++) ask(session, `q${number}`, '', ['a', 'b'])
  expect(ask(session, 'more', '', ['a', 'b'])).toBe('too-many-questions')
})

test('who waits at the door is not asked, and no answer is taken that is not among those given', () => {
  const session = new Rehearsed({ waitingList: true })
  session.join(1, 'ana')
  ask(session, 'q', '', ['a', 'b'])
  expect(participantView(session.state, 'ana')?.question).toBeNull()
  expect(answer(session, 'ana', 'q', 0)).toBe('waiting')
  session.tell(2, facilitator, { type: 'let-in', participantIds: ['ana'] })
  expect(answer(session, 'ana', 'q', 2)).toBe('not-an-answer')
  expect(answer(session, 'ana', 'q', 1)).toEqual(['question-answered'])
  expect(answer(session, 'nobody', 'q', 1)).toBe('no-such-participant')
})

type OtherAsks = Exclude<Asks, { is: 'choice' }>
const askFor = (session: Rehearsed, asks: OtherAsks, more: { by?: 'room'; anonymous?: true } = {}) =>
  session.tell(2, facilitator, {
    type: 'ask-question',
    questionId: 'o',
    text: 'x',
    answers: [],
    asks,
    ...more,
  })
const give = (session: Rehearsed, id: string, given: GivenAnswer) =>
  session.tell(3, participant(id), { type: 'answer-question', questionId: 'o', answer: given as number })
const last = ({ state }: Rehearsed) => facilitatorView(state).questionNow

test.each<[OtherAsks, GivenAnswer[], GivenAnswer[]]>([
  [{ is: 'scale', steps: 5, least: 'not at all', most: 'fully' }, [1, 5], [0, 6, 2.5, '3']],
  [{ is: 'number', unit: 'km' }, [0, -2.5, 1e12], ['4', [4 as never]]],
  [{ is: 'words' }, [['marsh'], [' salt  marsh ', '', 'tide']], [['', ' '], [], 'marsh', 3]],
  [{ is: 'text' }, ['It rained.', 'x'.repeat(200)], [' ', 3, ['a']]],
])('of %j what is an answer is taken, and what is none is refused', (asks, good, bad) => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  askFor(session, asks)
  for (const one of good) expect(give(session, 'ana', one)).toEqual(['question-answered'])
  for (const one of bad) expect([one, give(session, 'ana', one)]).toEqual([one, 'not-an-answer'])
})

test('each room gives one answer, whoever of it gives it last; who is in none gives none', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(1, facilitator, { type: 'place', participantId: 'chi', roomId: null })
  askFor(session, { is: 'number', unit: '' }, { by: 'room' })
  expect(give(session, 'ana', 3)).toEqual(['question-answered'])
  expect(participantView(session.state, 'bo')?.myAnswer).toEqual({ answer: 3 })
  expect(give(session, 'bo', 4)).toEqual(['question-answered'])
  expect(give(session, 'chi', 9)).toBe('no-room-to-answer-for')
  expect(last(session)).toMatchObject({
    results: { answered: 1, spread: { median: 4 } },
    named: [{ name: 'Reeds', answer: '4' }],
  })
  expect(askFor(session, { is: 'words' }, { by: 'room', anonymous: true })).toEqual([])
  expect(
    session.tell(4, facilitator, {
      type: 'ask-question',
      questionId: 'r',
      text: '',
      answers: ['', ''],
      by: 'room',
      anonymous: true,
    }),
  ).toBe('rooms-not-apart')
})

test('a question with a time closes by itself when that is over, and not before', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  const asking = { type: 'ask-question' as const, questionId: 't', text: '', answers: ['', ''], seconds: 30 }
  session.tell(10_000, facilitator, asking)
  expect(due(session.state, 39_999)).toEqual([])
  expect(due(session.state, 40_000)).toEqual([{ type: 'close-question', questionId: 't' }])
  expect(session.tell(40_000, clock, { type: 'close-question', questionId: 't' })).toEqual([
    'question-closed',
  ])
  expect(due(session.state, 90_000)).toEqual([])
})

test('asked again it is the same question, with what it came to before and how answers changed', () => {
  const session = asked()
  for (const [id, place] of [
    ['ana', 0],
    ['bo', 0],
  ] as const)
    answer(session, id, 'q', place)
  expect(session.tell(4, facilitator, { type: 'ask-again', ofId: 'none', questionId: 'x' })).toBe(
    'no-such-question',
  )
  expect(session.tell(4, facilitator, { type: 'ask-again', ofId: 'q', questionId: 'two' })).toEqual([
    'question-closed',
    'question-asked',
  ])
  // Another asks it again at the same moment.
  expect(session.tell(4, facilitator, { type: 'ask-again', ofId: 'q', questionId: 'three' })).toEqual([])
  for (const [id, place] of [
    ['ana', 1],
    ['bo', 0],
    ['chi', 1],
  ] as const)
    answer(session, id, 'two', place)
  expect(last(session)).toMatchObject({
    results: { text: 'Rain or sun?', counts: [1, 2] },
    before: { counts: [2, 0] },
    change: { both: 2, changed: 1, moves: [{ from: 'Rain', to: 'Sun', count: 1 }] },
  })
})

/** Without names: what was answered comes in lots. */
function apart() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(1, door, { type: 'join', participantId: 'dov', personId: null, shownName: 'Dov' })
  session.tell(2, facilitator, {
    type: 'ask-question',
    questionId: 'o',
    text: '',
    answers: ['', ''],
    anonymous: true,
  })
  return session
}
const note = (session: Rehearsed, id: string) =>
  session.tell(3, participant(id), { type: 'note-answer', questionId: 'o', answer: 1 })
const draw = (session: Rehearsed, participantIds: string[], answers: number[]) =>
  session.tell(4, clock, { type: 'draw-answers', questionId: 'o', participantIds, answers })

test('without names what happens says who has answered, and not what', () => {
  const session = apart()
  expect(give(session, 'ana', 1)).toBe('question-closed')
  expect(note(session, 'ana')).toEqual(['answer-noted'])
  expect(note(session, 'ana')).toBe('answered-already')
  expect(session.log.at(-1)?.event).toEqual({
    type: 'answer-noted',
    questionId: 'o',
    participantId: 'ana',
  })
  expect(participantView(session.state, 'ana')?.myAnswer).toBe('apart')
  expect(last(session)).toMatchObject({ results: { answered: 1, tooFew: true, counts: [0, 0] }, named: [] })
})

test('answers are written down by three or more of those who have answered, each once, also after the end', () => {
  const session = apart()
  for (const id of ['ana', 'bo', 'chi']) note(session, id)
  expect(draw(session, ['ana', 'bo'], [0, 1])).toEqual([])
  expect(draw(session, ['ana', 'bo', 'dov'], [0, 1, 1])).toEqual([])
  expect(draw(session, ['ana', 'bo', 'chi'], [0, 1])).toEqual([])
  session.tell(4, facilitator, { type: 'end' })
  expect(draw(session, ['ana', 'bo', 'chi'], [0, 1, 1])).toEqual(['answers-drawn'])
  expect(draw(session, ['ana', 'bo', 'chi'], [0, 1, 1])).toEqual([])
  expect(last(session)).toMatchObject({
    results: { answered: 3, tooFew: false, counts: [1, 2] },
    named: [],
    change: null,
  })
})

test('answers that were lost before they were written down can be given anew; what is written down stays', () => {
  const session = apart()
  for (const id of ['ana', 'bo', 'chi', 'dov']) note(session, id)
  draw(session, ['ana', 'bo', 'chi'], [0, 1, 1])
  const lose = { type: 'lose-answers', questionId: 'o' } as const
  expect(session.tell(5, clock, lose)).toEqual(['answers-lost'])
  expect(session.tell(5, clock, lose)).toEqual([])
  expect(participantView(session.state, 'dov')?.myAnswer).toBeNull()
  expect(participantView(session.state, 'ana')?.myAnswer).toBe('apart')
  expect(note(session, 'dov')).toEqual(['answer-noted'])
})

test('of anonymous questions asked again only totals are told', () => {
  const session = apart()
  session.tell(4, facilitator, { type: 'ask-again', ofId: 'o', questionId: 'p' })
  expect(last(session)).toMatchObject({ results: { anonymous: true, again: 'o' }, change: null, named: [] })
})
