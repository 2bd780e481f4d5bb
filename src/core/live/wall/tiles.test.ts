import type { Board } from '../../boards/board'
import { newRoom } from '../rooms/room'
import type { FacilitatorView } from '../views'
import { LIT_MS, wallTiles } from './tiles'

const NOW = 1_000_000
const prompt = (id: string, more: object = {}) => ({
  id,
  kind: 'cards' as const,
  text: `${id}?`,
  settings: {},
  ...more,
})
const board = {
  title: 'Herons',
  steps: [],
  // As they lie in the board; the one of the second part stands after those of the first.
  prompts: [
    prompt('later', { part: 'p2' }),
    prompt('c1'),
    { ...prompt('hint'), kind: 'hidden-text' },
    prompt('c2'),
  ],
  parts: [{ id: 'p2', title: '', steps: [], opens: 'hand' }],
} as unknown as Board
const view = (more: object = {}) =>
  ({
    rooms: ['one', 'two'].map(id => newRoom({ id, name: id, copyId: id })),
    people: [
      { id: 'ana', shownName: 'Ana', roomId: 'one', inRoom: true },
      { id: 'bo', shownName: 'Bo', roomId: 'one', inRoom: true },
      { id: 'cy', shownName: 'Cy', roomId: 'one', inRoom: false },
    ],
    boards: [board],
    partsOpen: null,
    partsSaid: {},
    ...more,
  }) as unknown as FacilitatorView

test('a tile shows every prompt that is open, numbered as on the board, with what stands there and who wrote there last', () => {
  const work = {
    one: {
      prompts: {
        c1: { pieces: 3, latest: 'Herons', at: NOW - LIT_MS + 1 },
        c2: { pieces: 1, latest: 'Eels', at: NOW - LIT_MS },
      },
      people: {
        ana: { promptId: 'c1', at: NOW },
        bo: { promptId: 'c2', at: NOW },
        cy: { promptId: 'c1', at: NOW },
      },
    },
  }
  const [one, two] = wallTiles(view(), work, NOW)
  expect(one).toMatchObject({ roomId: 'one', people: 2, pieces: 4 })
  expect(one?.cells).toEqual([
    {
      promptId: 'c1',
      number: 1,
      text: 'c1?',
      pieces: 3,
      latest: 'Herons',
      at: NOW - LIT_MS + 1,
      isLit: true,
      here: ['Ana'],
    },
    {
      promptId: 'c2',
      number: 3,
      text: 'c2?',
      pieces: 1,
      latest: 'Eels',
      at: NOW - LIT_MS,
      isLit: false,
      here: ['Bo'],
    },
  ])
  expect(two).toMatchObject({ people: 0, pieces: 0 })
  expect(two?.cells.map(({ pieces, isLit, here }) => [pieces, isLit, here])).toEqual([
    [0, false, []],
    [0, false, []],
  ])
})

test('a part that is opened in one room stands on its tile alone, and without a board a tile has no cells', () => {
  const said = { partsSaid: { two: { opened: ['p2'], shut: [], done: [] } } }
  expect(wallTiles(view(said), {}, NOW).map(({ cells }) => cells.map(({ promptId }) => promptId))).toEqual([
    ['c1', 'c2'],
    ['c1', 'c2', 'later'],
  ])
  expect(wallTiles(view({ boards: [] }), {}, NOW).map(({ cells }) => cells)).toEqual([[], []])
  expect(wallTiles(view({ rooms: [] }), {}, NOW)).toEqual([])
})
