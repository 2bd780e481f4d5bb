import { clock, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { questionRows, whatWasAsked, whatWasCommented, whatWasReported } from './asked'

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

test('answers as a table: with names, by room, and without names in the order of the alphabet, or not at all where they are few', () => {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  const ask = (at: number, questionId: string, text: string, more: object = {}) =>
    session.tell(at, facilitator, {
      type: 'ask-question',
      questionId,
      text,
      answers: ['Yes', 'No'],
      ...more,
    })
  const answer = (at: number, who: string, questionId: string, place: number) =>
    session.tell(at, participant(who), { type: 'answer-question', questionId, answer: place })
  ask(2, 'q', 'Rain?')
  answer(3, 'bo', 'q', 1)
  answer(3, 'ana', 'q', 0)
  ask(4, 'r', 'Afraid?', { anonymous: true })
  const note = (at: number, who: string, place: number) =>
    session.tell(at, participant(who), { type: 'note-answer', questionId: 'r', answer: place })
  note(5, 'chi', 0)
  note(5, 'ana', 1)
  const header = ['number', 'question', 'asks_again', 'answered_by', 'name', 'answer']
  const named = [
    [1, 'Rain?', '', 'person', 'Bo', 'No'],
    [1, 'Rain?', '', 'person', 'Ana', 'Yes'],
  ]
  expect(questionRows(session.state)).toEqual([header, ...named])
  note(6, 'bo', 0)
  const participantIds = ['ana', 'bo', 'chi']
  session.tell(7, clock, { type: 'draw-answers', questionId: 'r', participantIds, answers: [0, 1, 0] })
  expect(questionRows(session.state)).toEqual([
    header,
    ...named,
    [2, 'Afraid?', '', 'without names', '', 'No'],
    [2, 'Afraid?', '', 'without names', '', 'Yes'],
    [2, 'Afraid?', '', 'without names', '', 'Yes'],
  ])
  expect(questionRows(new Rehearsed().state)).toEqual([header])
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
  session.tell(6, facilitator, { type: 'next-room', afterId: null })
  session.tell(7, facilitator, { type: 'take-points', roomId: 'reeds', text: 'Two herons.', was: '' })
  session.tell(8, facilitator, { type: 'next-room', afterId: 'reeds' })
  expect(whatWasReported(session.state)).toEqual([
    { rooms: [{ id: 'reeds', name: 'Reeds', reporter: 'Ana', heardAt: 8, points: 'Two herons.' }] },
  ])
})
