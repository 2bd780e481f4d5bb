import fc from 'fast-check'
import type { Board, Prompt } from '../board'
import { correctionOf } from './corrected'

const cards = (id: string, text = id, part?: string): Prompt => ({
  id,
  kind: 'cards',
  text,
  settings: {},
  ...(part !== undefined && { part }),
})
const choice = (options: string[], by: 'group' | 'each' = 'each'): Prompt => ({
  id: 'x',
  kind: 'choice',
  text: 'Which?',
  settings: { options, by, reasons: false },
})
const board = (...prompts: Prompt[]): Board => ({ title: 'Birds', steps: ['Look.'], prompts })

test('correcting with the same changes nothing and says nothing', () => {
  const same = { ...board(cards('a'), choice(['A', 'B'])), source: 'lib' }
  expect(correctionOf(same, board(cards('a'), choice(['A', 'B'])))).toEqual({
    board: same,
    changes: [],
    stays: [],
  })
})

test('words change, and prompts and lines are added', () => {
  const now = {
    ...board(cards('b'), cards('a', 'Which birds?'), choice(['A', 'Bee', 'C'])),
    steps: ['Listen.'],
  }
  const correction = correctionOf(board(cards('a'), choice(['A', 'B'])), now)
  expect(correction.board).toEqual(now)
  expect(correction.changes).toEqual([
    'The instructions are others.',
    '“b” is new.',
    '“a” reads “Which birds?”.',
    'What is set about “Which?” changed.',
  ])
  expect(correction.stays).toEqual([])
})

test.each([
  ['an answer taken away', choice(['A']), 'taken away'],
  ['answers that changed places', choice(['B', 'A']), 'change places'],
  ['an answer put before others', choice(['C', 'A', 'B']), 'change places'],
  ['another way to answer', choice(['A', 'B'], 'group'), 'how it is answered'],
  ['another kind', { ...cards('x'), text: 'Which one?' } as Prompt, 'another kind'],
])('%s would make answers mean something else: that stays', (_what, after, why) => {
  const before = choice(['A', 'B'])
  const { board: corrected, stays } = correctionOf(board(before), board(after))
  expect(corrected.prompts[0]).toMatchObject({ kind: 'choice', settings: before.settings, text: after.text })
  expect(stays).toEqual([expect.stringContaining(why)])
})

test('a prompt that was taken away stays where it stood, with its part', () => {
  const part = { id: 'p', title: 'Two', steps: [], opens: 'hand' as const }
  const inUse = { ...board(cards('a'), cards('b', 'b', 'p'), cards('c')), parts: [part] }
  const { board: corrected, stays } = correctionOf(inUse, board(cards('c'), cards('a')))
  expect(corrected.prompts.map(({ id, part: where }) => [id, where])).toEqual([
    ['c', undefined],
    ['a', undefined],
    ['b', 'p'],
  ])
  expect(corrected.parts).toEqual([part])
  expect(stays).toHaveLength(1)
})

test('nothing that something may be written under is ever gone, and there are never more prompts than a board has', () => {
  const ids = fc.uniqueArray(fc.constantFrom(...'abcdefghijklmnop'), { maxLength: 12 })
  fc.assert(
    fc.property(ids, ids, (before, after) => {
      const corrected = correctionOf(
        board(...before.map(id => cards(id))),
        board(...after.map(id => cards(id, `${id}!`))),
      ).board.prompts.map(({ id }) => id)
      for (const id of before) expect(corrected).toContain(id)
      expect(new Set(corrected).size).toBe(corrected.length)
      expect(corrected.length).toBeLessThanOrEqual(12)
    }),
  )
})
