import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Board } from '../../boards/board'
import { askedPrompts } from '../../boards/parts'
import { marksOf } from '../marks'
import { facilitatorView, participantView, viewFor } from '../views'

const hidden = (id: string, opens: 'group' | 'facilitator', part?: string): Board['prompts'][number] => ({
  id,
  kind: 'hidden-text',
  text: `Called ${id}`,
  settings: { hidden: `secret of ${id}`, opens },
  part,
})
const board: Board = {
  title: 'Birds',
  steps: [],
  prompts: [
    { id: 'c', kind: 'cards', text: 'Which?', settings: {} },
    hidden('hint', 'group'),
    hidden('solution', 'facilitator'),
    hidden('later', 'group', 'two'),
  ],
  parts: [{ id: 'two', title: 'Two', steps: [], opens: 'hand' }],
}

/** Ana and Bo are in Reeds, Chi in Birds. */
function out() {
  const session = new Rehearsed({ board })
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(1_000, facilitator, { type: 'send-out', seconds: 600 })
  return session
}
const readBy = ({ state }: Rehearsed, id: string) =>
  participantView(state, id)?.board?.prompts.flatMap(prompt =>
    prompt.kind === 'hidden-text' && prompt.settings.hidden !== '' ? [prompt.id] : [],
  )
const here = (session: Rehearsed, who: string, promptId: string) =>
  session.tell(2_000, participant(who), { type: 'open-hidden-text-here', promptId })
const above = (session: Rehearsed, promptId: string, roomId: string | null) =>
  session.tell(3_000, facilitator, { type: 'open-hidden-text', promptId, roomId })

test('until it is opened a hidden text is sent to nobody but facilitators, and what it is called to everybody', () => {
  const { state } = out()
  for (const id of ['ana', 'chi']) {
    const view = participantView(state, id)
    expect(JSON.stringify(view)).not.toMatch(/secret/)
    expect(view?.board?.prompts.map(({ text }) => text)).toEqual(['Which?', 'Called hint', 'Called solution'])
  }
  expect(JSON.stringify(viewFor(state, { kind: 'projector' }))).not.toMatch(/secret/)
  expect(JSON.stringify(facilitatorView(state))).toMatch(/secret of solution/)
})

test('somebody opens it for their room: all there read it and by whom it was opened, nobody elsewhere', () => {
  const session = out()
  const before = session.state
  expect(here(session, 'ana', 'hint')).toEqual(['hidden-text-opened'])
  expect(here(session, 'bo', 'hint')).toEqual([])
  expect([readBy(session, 'ana'), readBy(session, 'bo'), readBy(session, 'chi')]).toEqual([
    ['hint'],
    ['hint'],
    [],
  ])
  const name = session.state.participants.get('ana')?.shownName
  expect(participantView(session.state, 'bo')?.hiddenOpened).toEqual({ hint: name })
  expect(participantView(session.state, 'chi')?.hiddenOpened).toEqual({})
  expect(facilitatorView(session.state).hiddenOpened).toEqual({ reeds: { hint: 'ana' } })
  const event = session.log.at(-1)
  expect(event && marksOf(before, event)).toMatchObject([
    { roomId: 'reeds', kind: 'hidden-text-opened', what: 'Called hint' },
  ])
})

test('what only the facilitator opens, or stands in a part that is shut, nobody else opens', () => {
  const session = out()
  expect(here(session, 'ana', 'solution')).toBe('no-such-hidden-text')
  expect(here(session, 'ana', 'later')).toBe('no-such-hidden-text')
  expect(here(session, 'ana', 'c')).toBe('no-such-hidden-text')
  expect(here(session, 'nobody', 'hint')).toBe('no-such-participant')
  session.tell(2_500, facilitator, { type: 'open-part', partId: 'two', roomId: 'reeds' })
  expect(here(session, 'ana', 'later')).toEqual(['hidden-text-opened'])
  expect(here(session, 'chi', 'later')).toBe('no-such-hidden-text')
})

test('the facilitator opens it in one room or in all that are left', () => {
  const session = out()
  expect(above(session, 'solution', 'nowhere')).toBe('no-such-hidden-text')
  expect(above(session, 'c', null)).toBe('no-such-hidden-text')
  expect(above(session, 'solution', 'reeds')).toEqual(['hidden-text-opened'])
  expect(above(session, 'solution', null)).toEqual(['hidden-text-opened'])
  expect(session.log.at(-1)?.event).toMatchObject({ roomIds: ['birds'], participantId: null })
  expect(above(session, 'solution', null)).toEqual([])
  expect(participantView(session.state, 'chi')?.hiddenOpened).toEqual({ solution: '' })
  expect(readBy(session, 'chi')).toEqual(['solution'])
})

test('whoever is in no room opens nothing and reads nothing', () => {
  const session = new Rehearsed({ board })
  session.join(1, 'ana')
  expect(here(session, 'ana', 'hint')).toBe('not-in-a-room')
  expect(participantView(session.state, 'ana')).toMatchObject({ board: null, hiddenOpened: {} })
})

test('a hidden text is no task: it does not count among what a room can work on', () => {
  expect(askedPrompts(board, undefined, null)).toHaveLength(1)
})
