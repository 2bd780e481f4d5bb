import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Prompt } from '../../boards/board'
import { allMarks } from '../marks'
import { participantView } from '../views'
import type { RoomRight } from './may-in'

const photos: Prompt = {
  id: 'f',
  kind: 'pictures',
  text: 'What did you see?',
  settings: { pictures: [], add: true },
}

/** Ana and Bo in one room, Chi in another, out in a round. */
function atWork(changes: ConstructorParameters<typeof Rehearsed>[0] = {}) {
  const session = new Rehearsed(changes)
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const say = (right: RoomRight, may: boolean | null, roomId = 'reeds') =>
    session.tell(3, facilitator, { type: 'set-room-right', roomId, right, may })
  const seen = (id: string) => participantView(session.state, id)
  return { session, say, seen }
}

test('in one room people may change rooms and come back, in the others as was said for all; and it is taken back', () => {
  const { session, say, seen } = atWork()
  expect([seen('ana')?.roomsToChoose, seen('ana')?.moves?.mayReturn]).toEqual([null, false])
  expect(say('change', true)).toEqual(['room-right-set'])
  expect(say('return', true)).toEqual(['room-right-set'])
  expect(seen('ana')?.roomsToChoose?.rooms).toHaveLength(2)
  expect([seen('ana')?.moves?.mayReturn, seen('chi')?.roomsToChoose]).toEqual([true, null])
  expect(session.tell(4, participant('chi'), { type: 'choose-room', roomId: 'reeds' })).toBe(
    'choosing-closed',
  )
  expect(session.tell(4, participant('ana'), { type: 'come-back' })).toEqual(['placed'])
  expect(session.tell(5, participant('ana'), { type: 'choose-room', roomId: 'birds' })).toEqual(['placed'])
  // Ana is in a room now in which people stay.
  expect(session.tell(6, participant('ana'), { type: 'come-back' })).toBe('must-stay')
  expect(say('return', null)).toEqual(['room-right-set'])
  expect(session.tell(7, participant('bo'), { type: 'come-back' })).toBe('must-stay')
  expect(say('return', null)).toEqual([])
})

test('where all may, people of one room may not', () => {
  const { session, say } = atWork()
  session.tell(3, facilitator, { type: 'set-terms', mayReturn: true })
  say('return', false)
  expect(session.tell(4, participant('ana'), { type: 'come-back' })).toBe('must-stay')
  expect(session.tell(4, participant('chi'), { type: 'come-back' })).toEqual(['placed'])
})

test('roles are passed on in one room and stay in the others', () => {
  const { session, say, seen } = atWork()
  session.tell(3, facilitator, { type: 'set-roles', rule: { rule: 'alphabet', mayPass: false } })
  session.tell(3, facilitator, { type: 'give-role', participantId: 'ana', role: 'lead' })
  expect(session.tell(4, participant('ana'), { type: 'pass-role', toId: 'bo' })).toBe('may-not-pass')
  say('pass-roles', true)
  expect([seen('ana')?.roles?.mayPass, seen('chi')?.roles?.mayPass]).toEqual([true, false])
  expect(session.tell(5, participant('ana'), { type: 'pass-role', toId: 'bo' })).toEqual(['role-passed'])
})

test('pictures of their own are added unless that is not allowed, in all rooms or in one', () => {
  const board = { title: 'Walk', steps: [], prompts: [photos] }
  const { session, say, seen } = atWork({ board })
  const mayAdd = () =>
    ['ana', 'chi'].map(id =>
      seen(id)?.board?.prompts.some(prompt => prompt.kind === 'pictures' && prompt.settings.add === true),
    )
  expect(mayAdd()).toEqual([true, true])
  say('pictures', false)
  expect(mayAdd()).toEqual([false, true])
  session.tell(4, facilitator, { type: 'allow-pictures', may: false })
  say('pictures', true)
  expect(mayAdd()).toEqual([true, false])
  // For all who look on, it is the same board from one view to the next.
  expect(seen('chi')?.board).toBe(seen('chi')?.board)
})

test('of a room there is not, nothing is said', () => {
  const { session } = atWork()
  expect(
    session.tell(3, facilitator, { type: 'set-room-right', roomId: 'nowhere', right: 'change', may: true }),
  ).toBe('no-such-room')
})

test('what people of one room may do otherwise leaves a mark on its lane', () => {
  const { session, say } = atWork()
  say('change', true)
  say('change', null)
  const marks = allMarks(session.log).filter(({ kind }) => kind === 'rights')
  expect(marks.map(({ roomId, what }) => [roomId, what])).toEqual([
    ['reeds', 'to other rooms: they may go'],
    ['reeds', 'to other rooms: as in all rooms'],
  ])
})
