import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView, viewFor } from '../views'
import { MOST_QUESTIONS } from './questions'

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
const counts = (session: Rehearsed) => facilitatorView(session.state).questions.map(each => each.counts)

test('each answers once and may think better of it; facilitators see counts, and nobody else what was answered', () => {
  const session = asked()
  answer(session, 'ana', 'q', 0)
  answer(session, 'bo', 'q', 0)
  expect(answer(session, 'bo', 'q', 0)).toEqual([])
  expect(counts(session)).toEqual([[2, 0]])
  answer(session, 'bo', 'q', 1)
  expect(counts(session)).toEqual([[1, 1]])
  expect(participantView(session.state, 'bo')).toMatchObject({
    question: { id: 'q', text: 'Rain or sun?', answers: ['Rain', 'Sun'] },
    myAnswer: 1,
  })
  expect(participantView(session.state, 'chi')?.myAnswer).toBeNull()
  expect(viewFor(session.state, { kind: 'projector' })).toMatchObject({ question: { answered: 2 } })
  expect(JSON.stringify(viewFor(session.state, { kind: 'projector' }))).not.toContain('counts')
})

test('answers that are said aloud are lettered', () => {
  const session = asked()
  ask(session, 'said', '', ['', '', 'Neither'])
  expect(session.state.questions.at(-1)).toMatchObject({ text: '', answers: ['A', 'B', 'Neither'] })
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
  expect(answer(session, 'ana', 'q', 2)).toBe('question-closed')
  expect(answer(session, 'ana', 'q', 1)).toEqual(['question-answered'])
  expect(answer(session, 'nobody', 'q', 1)).toBe('no-such-participant')
})
