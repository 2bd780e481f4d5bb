import type { Board } from '../../boards/board'
import { newRoom } from '../rooms/room'
import type { FacilitatorView } from '../views'
import { roomFacts } from './facts'

const cards = (id: string, part?: string): Board['prompts'][number] => ({
  id,
  kind: 'cards',
  text: id,
  settings: {},
  ...(part && { part }),
})
const board: Board = {
  title: 'Herons',
  steps: [],
  prompts: [cards('c1'), cards('c2'), cards('c3', 'p2'), cards('c4', 'p3')],
  parts: [
    { id: 'p2', title: '', steps: [], opens: 'done' },
    { id: 'p3', title: '', steps: [], opens: 'hand' },
  ],
}
const person = (id: string, roomId: string | null, inRoom = true) => ({
  id,
  shownName: id,
  connected: true,
  seenAt: 5,
  roomId,
  inRoom,
  admitted: true,
  hasDevice: true,
  onList: true,
  typedName: id,
})
const view = (more: object = {}) =>
  ({
    rooms: ['one', 'two', 'three'].map(id => newRoom({ id, name: id, copyId: id })),
    people: [person('ana', 'one'), person('bo', 'one'), person('cy', 'two'), person('di', 'three', false)],
    signals: { bo: { signal: 'lost', at: 1 } },
    help: [],
    visits: [],
    lastVisit: {},
    boards: [board],
    partsOpen: null,
    partsSaid: {},
    writers: {},
    ...more,
  }) as unknown as FacilitatorView

test('only rooms with somebody in them now are told of, each with its own people', () => {
  const facts = roomFacts(view(), {}, 'm')
  expect(facts.map(({ roomId, people }) => [roomId, people.map(({ id }) => id)])).toEqual([
    ['one', ['ana', 'bo']],
    ['two', ['cy']],
  ])
  expect(facts[0]?.people.map(({ signal }) => signal)).toEqual([null, 'lost'])
  expect(facts[0]).toMatchObject({
    calledAt: null,
    visitedAt: null,
    isVisited: false,
    writtenAt: null,
    begun: 0,
    edits: {},
    done: false,
  })
})

test('calls, visits and what was written are told by room', () => {
  const [one, two] = roomFacts(
    view({
      help: [{ id: 'h', roomId: 'two', participantId: 'cy', at: 70, taken: null }],
      visits: [{ accountId: 'm', name: 'M', roomId: 'one', startedAt: 60 }],
      lastVisit: { one: 60 },
    }),
    {
      one: {
        answeredPrompts: 2,
        pulse: [{ at: 0 }, { at: 30_000 }],
        latest: { at: 12_000 },
        people: { ana: { edits: 4 } },
      },
      two: { answeredPrompts: 1, pulse: [{ at: 0 }], latest: { at: 12_000 } },
    },
    'm',
  )
  expect(one).toMatchObject({
    visitedAt: 60,
    isVisited: true,
    writtenAt: 30_000,
    begun: 2,
    edits: { ana: 4 },
  })
  expect(two).toMatchObject({ calledAt: 70, writtenAt: 12_000, begun: 1, edits: {} })
})

test('a room is done when it says so of every part that is open and asks something; prompts that are picked out count alone', () => {
  const asked = (more: object) => {
    const [one] = roomFacts(view(more), {}, 'm')
    return [one?.prompts, one?.done]
  }
  const said = (done: string[], opened: string[] = []) => ({ partsSaid: { one: { opened, shut: [], done } } })
  expect(asked({})).toEqual([2, false])
  // The second part opens when the first is done.
  expect(asked(said(['first']))).toEqual([3, false])
  expect(asked(said(['first', 'p2']))).toEqual([3, true])
  expect(asked(said(['first', 'p2'], ['p3']))).toEqual([4, false])
  expect(asked({ ...said(['first']), partsOpen: ['c1'] })).toEqual([1, true])
  expect(asked({ boards: [] })).toEqual([0, false])
})

test('a call that another facilitator has taken is not one’s own to answer', () => {
  const taken = (accountId: string) =>
    roomFacts(view({ help: [{ id: 'h', roomId: 'two', at: 70, taken: { accountId } }] }), {}, 'm')[1]
      ?.calledAt
  expect([taken('m'), taken('somebody-else')]).toEqual([70, null])
})
