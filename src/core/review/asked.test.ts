import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { whatWasAsked, whatWasCommented, whatWasReported } from './asked'

test('every question stands in order with what it came to, also one that was asked again', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo')
  session.tell(2, facilitator, {
    type: 'ask-question',
    questionId: 'q',
    text: 'Rain?',
    answers: ['Yes', 'No'],
  })
  session.tell(3, participant('ana'), { type: 'answer-question', questionId: 'q', answer: 0 })
  session.tell(4, facilitator, { type: 'ask-again', ofId: 'q', questionId: 'r' })
  session.tell(5, participant('ana'), { type: 'answer-question', questionId: 'r', answer: 1 })
  session.tell(6, facilitator, { type: 'end' })
  expect(whatWasAsked(session.state)).toMatchObject([
    { results: { id: 'q', counts: [1, 0] }, named: [{ name: 'Ana', answer: 'Yes' }], before: null },
    { results: { id: 'r', counts: [0, 1] }, before: { counts: [1, 0] }, change: { both: 1, changed: 1 } },
  ])
})

test('every comment stands with its room, what it is on, and what became of it', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  const [prompt] = session.state.boards[0]?.prompts ?? []
  session.tell(3, facilitator, {
    type: 'comment',
    commentId: 'c',
    roomId: 'reeds',
    promptId: prompt?.id ?? '',
    pieceId: 'card',
    quote: 'A heron',
    text: 'Sure?',
    helpId: null,
  })
  session.tell(4, participant('ana'), { type: 'answer-comment', commentId: 'c', text: 'Yes.', answerId: 'a' })
  session.tell(5, participant('ana'), { type: 'settle-comment', commentId: 'c', settled: true })
  expect(whatWasCommented(session.state)).toEqual([
    {
      id: 'c',
      at: 3,
      from: 'Marit',
      room: 'Reeds',
      asks: prompt?.text,
      quote: 'A heron',
      text: 'Sure?',
      settledBy: 'Ana',
      answers: [{ id: 'a', by: 'Ana', text: 'Yes.' }],
    },
  ])
})

test('every report back stands with who reported and what was taken down; one of which nothing came is left out', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  const begin = {
    type: 'begin-report' as const,
    secondsEach: 60,
    onPages: false,
    rooms: [{ roomId: 'reeds', reporterId: 'ana' }],
  }
  session.tell(3, facilitator, begin)
  session.tell(4, facilitator, { type: 'end-report' })
  session.tell(5, facilitator, begin)
  session.tell(6, facilitator, { type: 'next-room' })
  session.tell(7, facilitator, { type: 'take-points', roomId: 'reeds', text: 'Two herons.' })
  session.tell(8, facilitator, { type: 'next-room' })
  expect(whatWasReported(session.state)).toEqual([
    { rooms: [{ id: 'reeds', name: 'Reeds', reporter: 'Ana', heardAt: 8, points: 'Two herons.' }] },
  ])
})
