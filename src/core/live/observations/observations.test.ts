import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { allMarks } from '../marks'
import { facilitatorView, viewFor } from '../views'
import { LONGEST_OBSERVATION, MOST_OBSERVATIONS } from './observation'

const observe = (
  session: Rehearsed,
  on: { roomId: string } | { participantId: string },
  text: string,
  id = 'o',
) => session.tell(3, facilitator, { type: 'observe', on, text, observationId: id })

function out() {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}

test('an observation is on a room or a person, says who made it and when, and can be dropped', () => {
  const session = out()
  expect(observe(session, { roomId: 'reeds' }, ' They argue well. ')).toEqual(['observed'])
  expect(observe(session, { roomId: 'reeds' }, ' They argue well. ')).toEqual([])
  expect(observe(session, { participantId: 'chi' }, 'Leads without a word.', 'p')).toEqual(['observed'])
  expect(facilitatorView(session.state).observations).toEqual([
    { id: 'o', roomId: 'reeds', participantId: null, text: 'They argue well.', from: 'Marit', at: 3 },
    { id: 'p', roomId: null, participantId: 'chi', text: 'Leads without a word.', from: 'Marit', at: 3 },
  ])
  // Pressed twice.
  expect(observe(session, { participantId: 'chi' }, 'Leads without a word.', 'q')).toEqual([])
  const drop = () => session.tell(4, facilitator, { type: 'drop-observation', observationId: 'o' })
  expect(drop()).toEqual(['observation-dropped'])
  expect(drop()).toBe('no-such-observation')
  expect(facilitatorView(session.state).observations.map(({ id }) => id)).toEqual(['p'])
})

test('it is on somebody or something that is there, has words, and there are no more than can be read', () => {
  const session = out()
  expect(observe(session, { roomId: 'nowhere' }, 'x')).toBe('no-such-room')
  expect(observe(session, { participantId: 'nobody' }, 'x')).toBe('no-such-participant')
  expect(observe(session, { roomId: 'reeds' }, ' ')).toBe('text-empty')
  expect(observe(session, { roomId: 'reeds' }, 'x'.repeat(LONGEST_OBSERVATION + 1))).toBe('text-too-long')
  for (let count = 0; count < MOST_OBSERVATIONS; count++)
    observe(session, { roomId: 'reeds' }, `x${count}`, `o${count}`)
  expect(observe(session, { roomId: 'reeds' }, 'x', 'more')).toBe('too-many-observations')
})

test('whatever happens, nobody but facilitators is sent any of it, and no mark of a lane tells of it', () => {
  const session = out()
  const secret = 'Quiet today: a secret'
  observe(session, { roomId: 'reeds' }, secret)
  observe(session, { participantId: 'ana' }, secret, 'p')
  const asked = { type: 'observe', on: { roomId: 'reeds' }, text: 'x', observationId: 'q' } as const
  expect(session.tell(4, participant('ana'), asked)).toBe('not-allowed')
  for (const act of [
    () => undefined,
    () => session.tell(5, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' }),
    () => session.tell(6, facilitator, { type: 'call-back' }),
    () => session.tell(7, facilitator, { type: 'end' }),
  ]) {
    act()
    for (const viewer of [
      { kind: 'projector' } as const,
      ...['ana', 'bo', 'chi'].map(participantId => ({ kind: 'participant', participantId }) as const),
    ])
      expect(JSON.stringify(viewFor(session.state, viewer))).not.toContain(secret)
  }
  expect(facilitatorView(session.state).observations).toHaveLength(2)
  expect(JSON.stringify(allMarks(session.log))).not.toContain(secret)
})
