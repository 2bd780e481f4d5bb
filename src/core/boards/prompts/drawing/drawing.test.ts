import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import * as Y from 'yjs'
import { piecesOf, readAnswer } from '../kinds'
import { PIECE_ID } from '../pieces'
import { MOST_POINTS, markIn, putMark, shifted, simplified } from './document'

test('of a stroke the points on a straight line go, and corners stay', () => {
  expect(simplified([0, 0, 100, 1, 200, 0, 300, -1, 400, 0, 400, 400])).toEqual([0, 0, 400, 0, 400, 400])
  expect(simplified([5, 5, 9, 9])).toEqual([5, 5, 9, 9])
})

test('a simplified stroke begins and ends where it did, has only points it had, and never too many', () => {
  const place = fc.integer({ min: 0, max: 10_000 })
  fc.assert(
    fc.property(fc.array(fc.tuple(place, place), { minLength: 2, maxLength: 2_000 }), pairs => {
      const simple = simplified(pairs.flat())
      expect(simple.slice(0, 2)).toEqual(pairs[0])
      expect(simple.slice(-2)).toEqual(pairs.at(-1))
      expect(simple.length).toBeLessThanOrEqual(2 * MOST_POINTS)
      const had = new Set(pairs.map(String))
      for (let at = 0; at < simple.length; at += 2)
        expect(had.has(String([simple[at], simple[at + 1]]))).toBe(true)
    }),
    { numRuns: 50 },
  )
})

test('a mark is moved whole, or stretched by its end alone', () => {
  const arrow = { id: 'm', on: 0, shape: 'arrow', points: [1, 2, 3, 4], colour: 0, text: '' } as const
  expect(shifted(arrow, 10, 20).points).toEqual([11, 22, 13, 24])
  expect(shifted(arrow, 10, 20, true).points).toEqual([1, 2, 13, 24])
  expect(shifted({ ...arrow, shape: 'text', points: [1, 2] }, 10, 20, true).points).toEqual([11, 22])
  // However far somebody moves it, it stays something that is read again.
  const far = shifted(arrow, 1e9, -1e9)
  const { id, ...value } = far
  expect(markIn(id, value)).toEqual(far)
})

test('a mark has an id among the pieces of a board that the server takes for one: its author is known', () => {
  const doc = new Y.Doc()
  putMark(doc, 'p', { id: randomUUID(), on: 0, shape: 'box', points: [1, 2, 3, 4], colour: 0, text: '' })
  const answer = readAnswer(doc, { id: 'p', kind: 'sketch', text: '', settings: {} })
  const ids = [...piecesOf(answer).keys()]
  expect(ids).toHaveLength(1)
  for (const id of ids) expect(id).toMatch(PIECE_ID)
})
