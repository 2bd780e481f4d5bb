import fc from 'fast-check'
import { rankTogether } from './rank-together'

/**
 * Three judges rank six paintings, the worked example of the article "Kendall's W" in many textbooks (S. Siegel,
 * Nonparametric Statistics for the Behavioral Sciences, 1956, table 9.2: three executives rank six applicants). Ranks and the
 * result W = 0.16 are quoted from memory.
 */
const APPLICANTS = [
  [1, 6, 3, 2, 5, 4],
  [1, 5, 6, 4, 2, 3],
  [6, 3, 2, 5, 4, 1],
]

/** Who stands at each place, from everybody's rank. */
const orderOf = (ranks: readonly number[]) => ranks.map((_, place) => ranks.indexOf(place + 1))

test('agreement in Siegel’s example of three executives and six applicants', () => {
  const { agreement } = rankTogether(APPLICANTS.map(orderOf), 6)
  // Rank sums 8, 14, 11, 11, 11, 8; S = 25.5; W = 12 · 25.5 / (9 · 210).
  expect(agreement).toBeCloseTo((12 * 25.5) / (9 * 210), 12)
  expect(agreement.toFixed(2)).toBe('0.16')
})

/**
 * Borda's own case (1784): of 21 voters 8 put A first and B last or so, yet a majority would have each of the others before A.
 * 1 · A B C, 7 · A C B, 7 · B C A, 6 · C B A give A 16, B 21, C 26 points. From memory.
 */
test('points in Borda’s example of 21 voters', () => {
  const times = (count: number, order: number[]) => Array.from({ length: count }, () => order)
  const orders = [
    ...times(1, [0, 1, 2]),
    ...times(7, [0, 2, 1]),
    ...times(7, [1, 2, 0]),
    ...times(6, [2, 1, 0]),
  ]
  expect(rankTogether(orders, 3).ranked).toEqual([
    { line: 2, points: 26 },
    { line: 1, points: 21 },
    { line: 0, points: 16 },
  ])
})

const order = (count: number) =>
  fc.shuffledSubarray(
    Array.from({ length: count }, (_, line) => line),
    { minLength: count, maxLength: count },
  )

test('agreement is 1 for equal orders, 0 for one and its reverse, and between them for all others', () => {
  fc.assert(
    fc.property(
      fc
        .integer({ min: 2, max: 8 })
        .chain(count => fc.tuple(fc.constant(count), fc.array(order(count), { minLength: 2, maxLength: 6 }))),
      ([count, orders]) => {
        const [first = []] = orders
        expect(rankTogether([first, first, first], count).agreement).toBeCloseTo(1, 12)
        expect(rankTogether([first, first.toReversed()], count).agreement).toBeCloseTo(0, 12)
        const { agreement, ranked } = rankTogether(orders, count)
        expect(agreement).toBeGreaterThanOrEqual(-1e-12)
        expect(agreement).toBeLessThanOrEqual(1 + 1e-12)
        expect(ranked.reduce((sum, { points }) => sum + points, 0)).toBe(
          (orders.length * count * (count - 1)) / 2,
        )
      },
    ),
  )
})

test('one order alone stands as it is, and agrees with itself', () => {
  expect(rankTogether([[2, 0, 1]], 3)).toEqual({
    ranked: [
      { line: 2, points: 2 },
      { line: 0, points: 1 },
      { line: 1, points: 0 },
    ],
    agreement: 1,
  })
})
