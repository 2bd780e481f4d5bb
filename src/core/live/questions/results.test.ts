import fc from 'fast-check'
import { mean, median } from 'simple-statistics'
import type { QuickQuestion } from './question'
import { changeBetween, resultsFrom, spreadOf } from './results'

const question = (asks: QuickQuestion['asks'], anonymous = false): QuickQuestion => ({
  id: 'q',
  text: '',
  asks,
  by: 'each',
  anonymous,
  endsAt: null,
  again: null,
  isOpen: true,
})

test('middle and average are those of a statistics library', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 60 }), numbers => {
      const spread = spreadOf(numbers)
      expect(spread?.median).toBe(median(numbers))
      expect(spread?.mean).toBeCloseTo(mean(numbers), 9)
      expect([spread?.least, spread?.most]).toEqual([Math.min(...numbers), Math.max(...numbers)])
    }),
  )
  expect(spreadOf([])).toBeNull()
})

test('every step of a scale is counted, also those that nobody chose', () => {
  const scale = { is: 'scale', steps: 4, least: '', most: '' } as const
  expect(resultsFrom(question(scale), [1, 4, 4]).counts).toEqual([1, 0, 0, 2])
})

test('equal words are joined, whatever their case; of texts the latest come first', () => {
  expect(resultsFrom(question({ is: 'words' }), [['Tide', 'salt'], ['tide']]).words).toEqual([
    { word: 'tide', count: 2 },
    { word: 'salt', count: 1 },
  ])
  const many = Array.from({ length: 61 }, (_, at) => `t${at}`)
  const { texts, answered } = resultsFrom(question({ is: 'text' }), many)
  expect([texts.length, texts[0], answered]).toEqual([60, 't60', 61])
})

test('kept apart from names, two answers are shown as none and three as three', () => {
  const yesNo = { is: 'choice', answers: ['Yes', 'No'] } as const
  expect(resultsFrom(question(yesNo, true), [0, 1], 4)).toMatchObject({
    tooFew: true,
    counts: [0, 0],
    answered: 4,
  })
  expect(resultsFrom(question(yesNo, true), [0, 1, 1], 4)).toMatchObject({ tooFew: false, counts: [1, 2] })
})

test('who changed, and how, is what the usual example of McNemar’s test counts', () => {
  // McNemar (1947). The example of 314 people, examined before and after: 101 stayed ill, 121 became well, 59 fell ill and
  // 33 stayed well; its statistic is 21.35. Example and value from memory, as it stands in many textbooks.
  const kinds = [
    { before: 0, after: 0, people: 101 },
    { before: 0, after: 1, people: 121 },
    { before: 1, after: 0, people: 59 },
    { before: 1, after: 1, people: 33 },
  ]
  const [before, after] = [new Map<string, number>(), new Map<string, number>()]
  for (const [at, { people, ...each }] of kinds.entries())
    for (let person = 0; person < people; person++) {
      before.set(`${at}-${person}`, each.before)
      after.set(`${at}-${person}`, each.after)
    }
  after.set('came later', 1)
  before.set('left', 1)
  const { both, changed, moves } = changeBetween({ is: 'choice', answers: ['ill', 'well'] }, before, after)
  expect([both, changed]).toEqual([314, 180])
  expect(moves).toEqual([
    { from: 'ill', to: 'well', count: 121 },
    { from: 'well', to: 'ill', count: 59 },
  ])
  const [one = 0, other = 0] = moves.map(({ count }) => count)
  expect((one - other) ** 2 / (one + other)).toBeCloseTo(21.36, 2)
})

test('of words and texts it is told how many changed, and nothing is counted from one to another', () => {
  const change = changeBetween({ is: 'text' }, new Map([['a', 'x']]), new Map([['a', 'y']]))
  expect(change).toEqual({ both: 1, changed: 1, moves: [] })
  expect(changeBetween({ is: 'text' }, new Map(), new Map([['a', 'y']]))).toEqual({
    both: 0,
    changed: 0,
    moves: [],
  })
})
