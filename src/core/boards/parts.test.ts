import { type Board, boardSchema } from './board'
import { FIRST_PART, partsOf } from './parts'

const prompt = (id: string, part?: string) => ({
  id,
  kind: 'cards' as const,
  text: id,
  settings: {},
  ...(part && { part }),
})

test('parts in order, each with its prompts; prompts of a part there is not stand in the first', () => {
  const board: Board = {
    title: 'T',
    steps: ['One.'],
    prompts: [prompt('a'), prompt('b', 'two'), prompt('c', 'gone'), prompt('d', 'two')],
    parts: [{ id: 'two', title: 'Two', steps: ['Then.'], minutes: 8, opens: 'hand' }],
  }
  expect(
    partsOf(board).map(({ id, minutes, prompts }) => [id, minutes, prompts.map(each => each.id)]),
  ).toEqual([
    [FIRST_PART, null, ['a', 'c']],
    ['two', 8, ['b', 'd']],
  ])
  expect(boardSchema.parse(JSON.parse(JSON.stringify(board)))).toEqual(board)
})

test('a board of earlier versions is one part', () => {
  const board = boardSchema.parse({ title: 'T', steps: [], prompts: [{ id: 'a', kind: 'cards', text: 'a' }] })
  expect(partsOf(board)).toEqual([
    { id: FIRST_PART, title: '', steps: [], minutes: null, prompts: board.prompts },
  ])
})
