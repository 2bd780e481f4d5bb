import type { Board } from '../../boards/board'
import { newRoom } from '../rooms/room'
import type { FacilitatorView } from '../views'
import { deviceWords, whereCounts, whereEverybodyIs, whereWords } from './where'

const NOW = 1_000_000
const prompt = (id: string, more: object = {}) => ({
  id,
  kind: 'cards' as const,
  text: id,
  settings: {},
  ...more,
})
const board = {
  title: 'Herons',
  steps: [],
  prompts: [prompt('later', { part: 'p2' }), prompt('c1')],
  parts: [{ id: 'p2', title: '', steps: [], opens: 'round' }],
} as unknown as Board
const person = (id: string, more: object = {}) => ({
  id,
  shownName: id,
  connected: true,
  hasDevice: true,
  onPhone: false,
  admitted: true,
  roomId: null,
  inRoom: false,
  seenAt: 0,
  ...more,
})
const view = (people: object[], expected: object[] = []) =>
  ({
    rooms: [newRoom({ id: 'one', name: 'Reeds', copyId: 'one' })],
    people,
    expected,
    boards: [board],
    signals: { Chi: { signal: 'stepped-out', at: 1 } },
  }) as unknown as FacilitatorView

const told = (...asked: Parameters<typeof whereEverybodyIs>) =>
  whereEverybodyIs(...asked).map(each => [each.shownName, whereWords(each), deviceWords(each, NOW)])

test('everybody is told by name: awaited, waiting, with the whole group, in a room and where they wrote, dropped, on what', () => {
  const people = [
    person('Édith', { roomId: 'one', inRoom: true, onPhone: true }),
    person('Zofia', { admitted: false }),
    person('Bo', { roomId: 'one', inRoom: true, connected: false, seenAt: NOW - 180_000, onPhone: true }),
    person('Chi', { roomId: 'one' }),
    person('Ana', { hasDevice: false }),
    person('Dag', { roomId: 'gone', inRoom: true, connected: false, seenAt: NOW }),
  ]
  const work = { one: { people: { Édith: { promptId: 'later' }, Bo: { promptId: 'not-on-the-board' } } } }
  expect(told(view(people, [{ personId: 'p', shownName: 'Fenna', roomId: null }]), work)).toEqual([
    ['Ana', 'with the whole group, no room', 'no device'],
    ['Bo', 'Reeds', 'no line for 3 min, phone'],
    ['Chi', 'with the whole group (Reeds): stepped out', 'computer'],
    ['Dag', 'with the whole group, no room', 'no line since just now, computer'],
    ['Édith', 'Reeds, wrote last at prompt 2', 'phone'],
    ['Fenna', 'not here yet', ''],
    ['Zofia', 'on the waiting list', 'computer'],
  ])
  expect(
    whereCounts(whereEverybodyIs(view(people, [{ personId: 'p', shownName: 'F', roomId: null }]), {})),
  ).toEqual({
    rooms: 2,
    whole: 3,
    door: 1,
    expected: 1,
    dropped: 2,
  })
})

test('where nobody is, nobody is told of', () => {
  expect(whereEverybodyIs(view([]), {})).toEqual([])
})
