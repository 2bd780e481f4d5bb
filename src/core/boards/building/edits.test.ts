import fc from 'fast-check'
import type { Board, Prompt } from '../board'
import { FIRST_PART, partsOf } from '../parts'
import {
  addPart,
  duplicatePart,
  duplicatePrompt,
  movePart,
  movePrompt,
  placePart,
  putPrompt,
  removePart,
  removePrompt,
} from './edits'

const cards = (id: string, part?: string): Prompt => ({
  id,
  kind: 'cards',
  text: id,
  settings: {},
  ...(part !== undefined && { part }),
})
const board: Board = {
  title: 'B',
  steps: [],
  prompts: [cards('a'), cards('b'), cards('c', 'two'), cards('d', 'three')],
  parts: [
    { id: 'two', title: 'Two', steps: [], opens: 'hand' },
    { id: 'three', title: 'Three', steps: [], opens: 'done' },
  ],
}
/** `a b | c | d`: what each part asks. */
const layout = (now: Board) =>
  partsOf(now)
    .map(({ prompts }) => prompts.map(({ id }) => id).join(' '))
    .join(' | ')

test('a prompt goes up and down, over the edge of a part, and no further than the ends', () => {
  expect(layout(movePrompt(board, 'a', 1))).toBe('b a | c | d')
  expect(layout(movePrompt(board, 'b', 1))).toBe('a | b c | d')
  expect(layout(movePrompt(board, 'c', -1))).toBe('a b c |  | d')
  expect(layout(movePrompt(movePrompt(board, 'c', -1), 'd', -1))).toBe('a b c | d | ')
  expect(movePrompt(board, 'a', -1)).toBe(board)
  expect(movePrompt(board, 'd', 1)).toBe(board)
  expect(movePrompt(board, 'nothing', 1)).toBe(board)
})

test('a prompt is put before another or at the end of a part, also of one that asks nothing', () => {
  expect(layout(putPrompt(board, cards('d', 'three'), FIRST_PART, 'b'))).toBe('a d b | c | ')
  expect(layout(putPrompt(board, cards('n'), 'two'))).toBe('a b | c n | d')
  expect(layout(putPrompt(removePrompt(board, 'c'), cards('n'), 'two'))).toBe('a b | n | d')
  expect(putPrompt(board, cards('a'), FIRST_PART, 'a')).toBe(board)
})

test('a duplicate stands right behind, and of a part with all it asks, referring to itself', () => {
  expect(layout(duplicatePrompt(board, 'a', 'new'))).toBe('a new b | c | d')
  expect(layout(duplicatePrompt(board, 'c', 'new'))).toBe('a b | c new | d')
  const points: Prompt = {
    id: 'p',
    kind: 'points',
    text: 'Points',
    settings: { over: 'c', by: 'each', points: 3 },
    part: 'two',
  }
  let fresh = 0
  const twice = duplicatePart(putPrompt(board, points, 'two'), 'two', () => `n${++fresh}`)
  expect(layout(twice)).toBe('a b | c p | n2 n3 | d')
  expect(twice.prompts.find(({ id }) => id === 'n3')?.settings).toMatchObject({ over: 'n2' })
  expect(duplicatePart(board, FIRST_PART, () => 'x')).toBe(board)
})

test('a part moves with what it asks; taken away, what it asks goes to the one before', () => {
  expect(layout(movePart(board, 'three', -1))).toBe('a b | d | c')
  expect(movePart(board, 'two', -1)).toBe(board)
  expect(layout(placePart(board, 'three', 'two'))).toBe('a b | d | c')
  expect(layout(placePart(board, 'two', 'three'))).toBe('a b | d | c')
  // Onto the first part it becomes the one right after it.
  expect(layout(placePart(board, 'three', FIRST_PART))).toBe('a b | d | c')
  expect(placePart(board, 'two', 'two')).toBe(board)
  expect(placePart(board, FIRST_PART, 'two')).toBe(board)
  expect(layout(removePart(board, 'three'))).toBe('a b | c d')
  expect(layout(removePart(board, 'two'))).toBe('a b c | d')
  expect(removePart(board, FIRST_PART)).toBe(board)
  expect(layout(addPart(board, { id: 'four', title: '', steps: [], opens: 'hand' }))).toBe('a b | c | d | ')
})

test('whatever is moved, nothing is lost and nothing is there twice', () => {
  const id = fc.constantFrom('a', 'b', 'c', 'd')
  const part = fc.constantFrom(FIRST_PART, 'two', 'three', 'nowhere')
  const by = fc.constantFrom(-1 as const, 1 as const)
  const edit = fc.oneof(
    fc.tuple(id, by).map(
      ([which, way]) =>
        (now: Board) =>
          movePrompt(now, which, way),
    ),
    fc.tuple(part, by).map(
      ([which, way]) =>
        (now: Board) =>
          movePart(now, which, way),
    ),
    fc.tuple(id, part, fc.option(id)).map(([which, where, before]) => (now: Board) => {
      const prompt = now.prompts.find(each => each.id === which)
      return prompt ? putPrompt(now, prompt, where, before ?? undefined) : now
    }),
    part.map(which => (now: Board) => removePart(now, which)),
  )
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 12 }), edits => {
      const now = edits.reduce((before, each) => each(before), board)
      expect(
        partsOf(now)
          .flatMap(({ prompts }) => prompts.map(each => each.id))
          .sort(),
      ).toEqual(['a', 'b', 'c', 'd'])
    }),
  )
})
