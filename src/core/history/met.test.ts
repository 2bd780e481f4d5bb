import { mean } from 'simple-statistics'
import { randomStream } from '../random/random'
import { gini, leastMet, neverMet, whoHasMet } from './met'

const session = (at: number, ...meetings: [string, string, number][]) => ({
  id: String(at),
  title: '',
  at,
  day: `2026-11-0${at}`,
  meetings: meetings.map(([a, b, minutes]) => ({ pair: [a, b] as [string, string], minutes })),
})

test('how often, how long and when last; whom each has never met', () => {
  const past = [session(2, ['a', 'b', 12], ['b', 'c', 0.4]), session(1, ['a', 'b', 8], ['a', 'gone', 9])]
  const people = ['c', 'a', 'b']
  const { met, pairs } = whoHasMet(people, past)
  expect(pairs).toBe(3)
  expect(met).toEqual([{ pair: ['a', 'b'], times: 2, minutes: 20, lastAt: 2, lastDay: '2026-11-02' }])
  expect(people.map(id => neverMet(people, met, id))).toEqual([['a', 'b'], ['c'], ['c']])
})

test('pairs stand in the order of the people, whichever way round they met', () => {
  const past = [session(1, ['c', 'a', 5], ['b', 'a', 5], ['b', 'c', 5])]
  expect(whoHasMet(['a', 'b', 'c'], past).met.map(({ pair }) => pair.join(''))).toEqual(['ab', 'ac', 'bc'])
})

test('who met least: never first, then seldom, and no more than asked for', () => {
  const past = [session(1, ['a', 'b', 5], ['a', 'c', 3]), session(2, ['a', 'b', 5])]
  const people = ['a', 'b', 'c', 'd']
  const { met } = whoHasMet(people, past)
  const least = (most: number) => leastMet(people, met, most).map(({ pair, times }) => [pair.join(''), times])
  expect(least(2)).toEqual([
    ['ad', 0],
    ['bc', 0],
  ])
  expect(least(9)).toEqual([
    ['ad', 0],
    ['bc', 0],
    ['bd', 0],
    ['cd', 0],
    ['ac', 1],
    ['ab', 2],
  ])
  expect(leastMet([], [], 5)).toEqual([])
  expect(leastMet(['a'], [], 5)).toEqual([])
})

// Worked values of the population form (Gini, 1912; from memory).
test.each([
  [[0, 0, 0, 1], 3 / 4],
  [[1, 2, 3, 4], 1 / 4],
  [[1, 2, 3, 4, 5], 4 / 15],
  [[2, 2, 2, 4], 3 / 20],
  [[1, 2, 3, 4, 5, 6, 7, 8, 9, 10], 3 / 10],
  [[5, 5, 5], 0],
  [[0, 0], 0],
  [[], 0],
])('Gini of %j', (values, expected) => {
  expect(gini(values)).toBeCloseTo(expected, 12)
  const some = values.filter(value => value > 0)
  expect(gini(some, values.length - some.length)).toBeCloseTo(expected, 12)
})

// Half the relative mean absolute difference, the other definition of the same number; means by a statistics library.
test('is half the mean difference of two, relative to the mean', () => {
  const random = randomStream(3)
  for (let trial = 0; trial < 20; trial++) {
    const values = Array.from({ length: 2 + random.below(30) }, () => random.below(50) + 1)
    const differences = values.flatMap(one => values.map(other => Math.abs(one - other)))
    expect(gini(values)).toBeCloseTo(mean(differences) / (2 * mean(values)), 10)
  }
})

test('everybody with everybody once is perfectly even', () => {
  const past = [session(1, ['a', 'b', 5], ['a', 'c', 5], ['b', 'c', 5])]
  expect(whoHasMet(['a', 'b', 'c'], past).unevenness).toBeCloseTo(0, 12)
})
