import fc from 'fast-check'
import type { Board, Part, Prompt } from '../board'
import { mergeBoards } from './merge'

const cards = (id: string, text = id): Prompt => ({ id, kind: 'cards', text, settings: {} })
const board = (...prompts: Prompt[]): Board => ({ title: 'B', steps: ['Look.'], prompts, parts: [] })
const texts = ({ prompts }: Board) => prompts.map(({ text }) => text)

test('what two change in different places is all there', () => {
  const base = board(cards('a'), cards('b'), cards('c'))
  const mine = { ...board(cards('a', 'mine'), cards('b'), cards('c')), title: 'Mine' }
  const theirs = { ...board(cards('a'), cards('b', 'theirs'), cards('c')), steps: ['Theirs.'] }
  expect(mergeBoards(base, mine, theirs)).toEqual({
    title: 'Mine',
    steps: ['Theirs.'],
    prompts: [cards('a', 'mine'), cards('b', 'theirs'), cards('c')],
    parts: [],
  })
})

test('of one field that both changed the later stands', () => {
  const merged = mergeBoards(board(cards('a')), board(cards('a', 'mine')), board(cards('a', 'theirs')))
  expect(texts(merged)).toEqual(['mine'])
})

test('settings are merged one by one, but never those of two kinds', () => {
  const scale = (low: string, steps: number): Prompt => ({
    id: 'a',
    kind: 'scale',
    text: 'How far?',
    settings: { low, high: 'Fully', steps, reasons: false },
  })
  const base = board(scale('Not', 5))
  expect(mergeBoards(base, board(scale('Not', 7)), board(scale('Never', 5))).prompts).toEqual([
    scale('Never', 7),
  ])
  // One makes cards of it while the other sets its steps.
  expect(mergeBoards(base, board(cards('a')), board(scale('Not', 7))).prompts).toEqual([cards('a')])
  expect(mergeBoards(base, board(scale('Not', 7)), board(cards('a'))).prompts).toEqual([cards('a')])
})

test('what one takes away goes, unless the other changed it; what either adds stays, behind what it stood behind', () => {
  const base = board(cards('a'), cards('b'), cards('c'))
  expect(texts(mergeBoards(base, board(cards('a'), cards('c')), base))).toEqual(['a', 'c'])
  expect(
    texts(mergeBoards(base, board(cards('a'), cards('c')), board(cards('a'), cards('b', 'B!'), cards('c')))),
  ).toEqual(['a', 'B!', 'c'])
  expect(
    texts(
      mergeBoards(
        base,
        board(cards('a'), cards('mine'), cards('b'), cards('c')),
        board(cards('c'), cards('theirs'), cards('a'), cards('b')),
      ),
    ),
  ).toEqual(['c', 'theirs', 'a', 'mine', 'b'])
})

test('one takes a part away while the other puts a prompt into it: the prompt is there', () => {
  const part: Part = { id: 'p', title: 'Later', steps: [], opens: 'hand' }
  const base = { ...board(cards('a')), parts: [part] }
  const merged = mergeBoards(base, board(cards('a')), {
    ...base,
    prompts: [...base.prompts, { ...cards('n'), part: 'p' } as Prompt],
  })
  expect(texts(merged)).toEqual(['a', 'n'])
  expect(merged.parts).toEqual([])
})

const prompts = fc
  .uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { maxLength: 5 })
  .chain(ids => fc.tuple(...ids.map(id => fc.constantFrom('x', 'y').map(text => cards(id, text)))))
const anyBoard = prompts.map(list => board(...list))

test('who changes nothing gets what the other did, and two who did the same get that', () => {
  fc.assert(
    fc.property(anyBoard, anyBoard, (base, changed) => {
      expect(mergeBoards(base, base, changed)).toEqual(changed)
      expect(mergeBoards(base, changed, base)).toEqual(changed)
      expect(mergeBoards(base, changed, changed)).toEqual(changed)
    }),
  )
})

test('nothing that either added or changed is lost, and nothing is there twice', () => {
  fc.assert(
    fc.property(anyBoard, anyBoard, anyBoard, (base, mine, theirs) => {
      const merged = mergeBoards(base, mine, theirs).prompts
      const ids = merged.map(({ id }) => id)
      expect(new Set(ids).size).toBe(ids.length)
      const before = new Map(base.prompts.map(prompt => [prompt.id, prompt.text]))
      for (const { id, text } of [...mine.prompts, ...theirs.prompts])
        if (before.get(id) !== text) expect(ids).toContain(id)
    }),
  )
})
