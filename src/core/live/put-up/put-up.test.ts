import { facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import type { Board } from '../../boards/board'
import { evolve } from '../evolve'
import { facilitatorView, participantView, projectorView } from '../views'
import { type AskedThing, playedUntil } from './things'
import { roomsWith } from './work'

const board: Board = {
  title: 'Birds',
  steps: [],
  prompts: [
    { id: 'w', kind: 'words', text: 'The marsh in a word', settings: { mostEach: 3 } },
    {
      id: 's',
      kind: 'hidden-text',
      text: 'Solution',
      settings: { hidden: 'a secret', opens: 'facilitator' },
    },
    { id: 'l', kind: 'words', text: 'Later', settings: { mostEach: 3 }, part: 'two' },
  ],
  parts: [{ id: 'two', title: 'Two', steps: [], opens: 'hand' }],
}

/** Ana and Bo are in Reeds, Chi in Birds. */
function out() {
  const session = new Rehearsed({ board })
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  return session
}
const up = (session: Rehearsed, roomId: string | null, promptId: string | null, onPages = false) =>
  session.tell(3, facilitator, { type: 'put-up', roomId, promptId, onPages })
const shown = ({ state }: Rehearsed) => projectorView(state)?.putUp
const ids = ({ state }: Rehearsed, roomId: string | null, promptId: string | null) =>
  roomsWith(state, { roomId, promptId }).map(each => [each.room.id, each.board.prompts.map(({ id }) => id)])

test('one prompt of all rooms, a room’s board, or one prompt of it is up until another is, or it is taken down', () => {
  const session = out()
  expect(shown(session)).toBeNull()
  expect(up(session, null, 'w')).toEqual(['put-up'])
  expect(shown(session)).toEqual({
    upSince: 3,
    is: 'work',
    roomId: null,
    promptId: 'w',
    onPages: false,
    whose: 'All rooms',
    asks: 'The marsh in a word',
  })
  expect(ids(session, null, 'w')).toEqual([
    ['reeds', ['w']],
    ['birds', ['w']],
  ])
  expect(up(session, null, 'w')).toEqual([])
  expect(up(session, 'birds', null)).toEqual(['put-up'])
  expect(shown(session)).toMatchObject({ whose: 'Birds', asks: 'Birds' })
  expect(up(session, 'birds', 'w')).toEqual(['put-up'])
  expect(facilitatorView(session.state).putUp).toMatchObject({ whose: 'Birds', asks: 'The marsh in a word' })
  expect(session.tell(4, facilitator, { type: 'take-down' })).toEqual(['taken-down'])
  expect(session.tell(4, facilitator, { type: 'take-down' })).toEqual([])
  expect(shown(session)).toBeNull()
})

test('what a room does not see yet is not put up: parts that are shut, and what is hidden', () => {
  const session = out()
  expect(up(session, null, 'l')).toBe('nothing-to-put-up')
  expect(up(session, 'reeds', 'l')).toBe('nothing-to-put-up')
  up(session, 'reeds', null)
  expect(JSON.stringify(roomsWith(session.state, { roomId: 'reeds', promptId: null }))).not.toContain(
    'a secret',
  )
  session.tell(4, facilitator, { type: 'open-part', partId: 'two', roomId: 'birds' })
  expect(up(session, null, 'l')).toEqual(['put-up'])
  expect(ids(session, null, 'l')).toEqual([['birds', ['l']]])
  // It shuts again: nothing of it is shown, and what was up is no more.
  session.tell(5, facilitator, { type: 'shut-part', partId: 'two', roomId: 'birds' })
  expect(shown(session)).toBeNull()
})

test('rooms and prompts that are not there, or neither, are refused; participants put nothing up', () => {
  const session = out()
  for (const [roomId, promptId] of [
    ['nowhere', null],
    ['reeds', 'nothing'],
    [null, 'nothing'],
    [null, null],
  ] as const)
    expect(up(session, roomId, promptId)).toBe('nothing-to-put-up')
  const asked = { type: 'put-up', roomId: 'reeds', promptId: null } as const
  expect(session.tell(3, participant('ana'), asked)).toBe('not-allowed')
})

test('on pages too when that is said: not for who waits at the door or was let go, and shut parts stay shut', () => {
  const session = new Rehearsed({ board })
  session.join(1, 'ana')
  session.tell(1, facilitator, { type: 'set-waiting-list', on: true })
  session.join(1, 'chi')
  session.sendOut(2)
  const seenBy = (id: string) => participantView(session.state, id)?.putUp
  expect(up(session, null, 'w', true)).toEqual(['put-up'])
  expect(up(session, null, 'w', true)).toEqual([])
  expect(seenBy('ana')).toEqual(shown(session))
  expect(seenBy('ana')).toMatchObject({ asks: 'The marsh in a word', onPages: true })
  expect(seenBy('chi')).toBeNull()
  session.tell(4, facilitator, { type: 'let-in', participantIds: ['chi'] })
  expect(seenBy('chi')).toEqual(shown(session))
  session.tell(4, facilitator, { type: 'release', participantId: 'chi' })
  expect(seenBy('chi')).toBeNull()
  expect(up(session, null, 'l', true)).toBe('nothing-to-put-up')
  expect(up(session, null, 'w', false)).toEqual(['put-up'])
  expect(seenBy('ana')).toBeNull()
  expect(shown(session)).toMatchObject({ onPages: false })
})

test('what an earlier version put up is on the projector alone', () => {
  const session = out()
  session.tell(3, facilitator, { type: 'put-up', roomId: null, promptId: 'w' })
  const recorded = { seq: session.state.seq + 1, at: 4 }
  const state = evolve(session.state, {
    ...recorded,
    event: { type: 'put-up', roomId: 'birds', promptId: null },
  })
  expect(projectorView(state)?.putUp).toMatchObject({ whose: 'Birds', onPages: false })
  expect(participantView(state, 'ana')?.putUp).toBeNull()
})

test('of what is on the projector alone participants are told nothing; a closed room’s work can still be seen; after the end nothing is up', () => {
  const session = out()
  up(session, 'birds', null)
  expect(participantView(session.state, 'ana')?.putUp).toBeNull()
  session.tell(4, facilitator, { type: 'close-room', roomId: 'birds', toRoomId: null })
  expect(shown(session)).toMatchObject({ whose: 'Birds' })
  session.tell(5, facilitator, { type: 'end' })
  expect(shown(session)).toBeNull()
})

test('a board without prompts can not be put up', () => {
  const session = new Rehearsed({ board: { title: 'Talk', steps: [], prompts: [] } })
  expect(up(session, 'reeds', null)).toBe('nothing-to-put-up')
})

const putUpThing = (session: Rehearsed, thing: AskedThing, onPages = false) =>
  session.tell(5, facilitator, { type: 'put-up-thing', thing, onPages })

test('groups, what to do, the clock, the join code and what a question came to are put up, each in the place of what was', () => {
  const session = new Rehearsed({ board: { ...board, steps: ['Look', 'Write'] } })
  session.join(1, 'ana', 'bo', 'chi')
  expect(putUpThing(session, { is: 'groups' })).toEqual(['thing-put-up'])
  expect(putUpThing(session, { is: 'groups' })).toEqual([])
  const names = session.state.rooms.map(({ name }) => name)
  expect(shown(session)).toMatchObject({ is: 'groups', rooms: names.map(name => ({ name })) })
  putUpThing(session, { is: 'instructions' })
  expect(shown(session)).toEqual({
    is: 'instructions',
    upSince: 5,
    onPages: false,
    said: '',
    tasks: [{ title: 'Birds', steps: ['Look', 'Write'] }],
  })
  putUpThing(session, { is: 'clock' })
  expect(shown(session)).toMatchObject({ is: 'clock', endsAt: null })
  session.sendOut(2)
  expect(shown(session)).toMatchObject({ is: 'clock', endsAt: session.state.round?.endsAt })
  putUpThing(session, { is: 'join-code' }, true)
  expect(shown(session)).toEqual({ is: 'join-code', onPages: true, upSince: 5 })
  session.tell(6, facilitator, {
    type: 'ask-question',
    questionId: 'q',
    text: 'Rain?',
    answers: ['Yes', 'No'],
  })
  putUpThing(session, { is: 'question', questionId: 'q' })
  session.tell(6, participant('bo'), { type: 'answer-question', questionId: 'q', answer: 1 })
  expect(shown(session)).toMatchObject({ is: 'question', results: { text: 'Rain?', counts: [0, 1] } })
})

test('who is in which room is on everybody’s page only when that is wanted', () => {
  const session = out()
  putUpThing(session, { is: 'groups' })
  expect(JSON.stringify(participantView(session.state, 'ana'))).not.toContain('Chi')
  session.tell(6, facilitator, { type: 'put-on-pages', onPages: true })
  expect(session.tell(6, facilitator, { type: 'put-on-pages', onPages: true })).toEqual([])
  expect(participantView(session.state, 'ana')?.putUp).toMatchObject({
    rooms: expect.arrayContaining([expect.objectContaining({ members: ['Chi'] })]),
  })
})

test('what is not there is not put up, and nothing is turned or played that has no pages or does not play', () => {
  const session = out()
  expect(putUpThing(session, { is: 'question', questionId: 'none' })).toBe('nothing-to-put-up')
  expect(putUpThing(session, { is: 'given', givenId: 'none' })).toBe('nothing-to-put-up')
  expect(session.tell(6, facilitator, { type: 'turn-page', page: 2 })).toBe('nothing-to-put-up')
  expect(session.tell(6, facilitator, { type: 'play', at: 0, on: true })).toBe('nothing-that-plays')
  expect(session.tell(6, facilitator, { type: 'put-on-pages', onPages: true })).toEqual([])
  putUpThing(session, { is: 'groups' })
  expect(session.tell(6, facilitator, { type: 'turn-page', page: 2 })).toBe('nothing-to-put-up')
})

test('what two at the front do at the same moment is done to what each saw up, never to what the other put up meanwhile', () => {
  const session = out()
  give(session, 'pdf')
  putUpThing(session, { is: 'groups' })
  const seen = shown(session)?.upSince
  expect(
    session.tell(8, facilitator, {
      type: 'put-up-thing',
      thing: { is: 'given', givenId: 'pdf' },
      onPages: false,
    }),
  ).toEqual(['thing-put-up'])
  const late = [
    { type: 'take-down' },
    { type: 'put-on-pages', onPages: true },
    { type: 'turn-page', page: 2 },
    { type: 'play', at: 0, on: true },
  ] as const
  for (const each of late) expect(session.tell(9, facilitator, { ...each, upSince: seen })).toBe('another-up')
  expect(shown(session)).toMatchObject({ is: 'material', page: 1, onPages: false })
  const now = shown(session)?.upSince
  expect(session.tell(9, facilitator, { type: 'take-down', upSince: now })).toEqual(['taken-down'])
  // Taken down by both.
  expect(session.tell(10, facilitator, { type: 'take-down', upSince: now })).toEqual([])
})

const file = { title: 'Heron', file: 'a'.repeat(64), width: null, height: null }
const give = (session: Rehearsed, is: 'pdf' | 'video') =>
  session.tell(5, facilitator, {
    type: 'give-material',
    givenId: is,
    thing: { is, ...file },
    roomIds: null,
  })

test('pages are turned for all; another document begins at its first', () => {
  const session = out()
  give(session, 'pdf')
  putUpThing(session, { is: 'given', givenId: 'pdf' }, true)
  expect(session.tell(6, facilitator, { type: 'turn-page', page: 3 })).toEqual(['page-turned'])
  expect(session.tell(6, facilitator, { type: 'turn-page', page: 3 })).toEqual([])
  expect(participantView(session.state, 'ana')?.putUp).toMatchObject({ thing: file, page: 3 })
  // Given material that is taken back stays up until that is taken down.
  session.tell(7, facilitator, { type: 'take-material-back', givenId: 'pdf' })
  expect(shown(session)).toMatchObject({ page: 3 })
  give(session, 'video')
  putUpThing(session, { is: 'given', givenId: 'video' })
  expect(shown(session)).toMatchObject({ page: 1 })
  expect(session.tell(8, facilitator, { type: 'turn-page', page: 2 })).toBe('nothing-to-put-up')
})

test('a film begins stopped, plays from where it is told, and is as far on for who comes late as for all', () => {
  const session = out()
  give(session, 'video')
  putUpThing(session, { is: 'given', givenId: 'video' }, true)
  const playing = () => {
    const up = shown(session)
    return up?.is === 'material' ? up.playing : null
  }
  expect(playing()).toMatchObject({ at: 0, on: false })
  session.tell(10_000, facilitator, { type: 'play', at: 4, on: true })
  const now = playing()
  expect(now).toEqual({ at: 4, since: 10_000, on: true })
  expect(now && playedUntil(now, 12_500)).toBe(6.5)
  // A clock that is behind does not play it backwards.
  expect(now && playedUntil(now, 9_000)).toBe(4)
  session.tell(13_000, facilitator, { type: 'play', at: 7, on: false })
  const stopped = playing()
  expect(stopped && playedUntil(stopped, 60_000)).toBe(7)
})
