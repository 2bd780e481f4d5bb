import { affineRounds, primePower, type Rounds, transversalRounds } from './designs'
import { pairRounds } from './pairs'

/** How often every two are together, as counts of the counts. */
function meetings(rounds: Rounds, people: number): { together: Map<number, number>; complete: boolean } {
  const times = new Map<string, number>()
  let complete = true
  for (const round of rounds) {
    if (new Set(round.flat()).size !== people || round.flat().length !== people) complete = false
    for (const group of round) {
      for (const [index, a] of group.entries()) {
        for (const b of group.slice(index + 1)) {
          const key = a < b ? `${a} ${b}` : `${b} ${a}`
          times.set(key, (times.get(key) ?? 0) + 1)
        }
      }
    }
  }
  const together = new Map<number, number>()
  for (const count of times.values()) together.set(count, (together.get(count) ?? 0) + 1)
  return { together, complete }
}

// Every two once in n - 1 rounds: n(n-1)/2 pairs. Kirkman, "On a problem in combinations", 1847.
test.each([2, 4, 6, 8, 20, 40])('%i people in pairs: everybody meets everybody once', people => {
  const rounds = pairRounds(people)
  expect(rounds).toHaveLength(people - 1)
  expect(meetings(rounds, people)).toEqual({
    together: new Map([[1, (people * (people - 1)) / 2]]),
    complete: true,
  })
})

test.each([3, 5, 7, 21])(
  '%i people: one pair is of three every round, and somebody else joins it each time',
  people => {
    const rounds = pairRounds(people)
    expect(rounds).toHaveLength(people)
    expect(meetings(rounds, people).complete).toBe(true)
    const joiners = rounds.map(round => round.find(group => group.length === 3)?.at(-1))
    expect(new Set(joiners).size).toBe(people)
    for (const round of rounds) expect(round.filter(group => group.length === 3)).toHaveLength(1)
  },
)

test.each([7, 9, 21])('%i people in pairs: nobody is in the group of three twice in a row', people => {
  const threes = pairRounds(people).map(round => round.find(group => group.length === 3) ?? [])
  for (const [round, three] of threes.entries()) {
    const next = threes[(round + 1) % people] ?? []
    expect(three.filter(person => next.includes(person))).toEqual([])
  }
})

// Affine planes of order q: q + 1 rounds; 6, 36, 120, 300, 1,176 pairs, each once. Bose; any design theory text.
// AG(d, q): 27 in threes 13 rounds, 64 in fours 21. The same.
test.each([
  [2, 2, 3, 6],
  [3, 2, 4, 36],
  [4, 2, 5, 120],
  [5, 2, 6, 300],
  [7, 2, 8, 1176],
  [8, 2, 9, 2016],
  [9, 2, 10, 3240],
  [3, 4, 40, 3240],
  [5, 3, 31, 7750],
  [3, 3, 13, 351],
  [4, 3, 21, 2016],
])('order %i, dimension %i: %i rounds, %i pairs each once', (order, dimension, expected, pairs) => {
  const rounds = affineRounds(order, dimension) ?? []
  expect(rounds).toHaveLength(expected)
  expect(meetings(rounds, order ** dimension)).toEqual({ together: new Map([[1, pairs]]), complete: true })
})

test.each([
  [5, 4],
  [7, 4],
  [8, 4],
  [7, 3],
  [9, 2],
  [12, 3],
  [20, 4],
])('%i groups of %i: as many rounds as groups, and nobody meets twice', (groups, size) => {
  const rounds = transversalRounds(groups, size) ?? []
  expect(rounds).toHaveLength(groups)
  const { together, complete } = meetings(rounds, groups * size)
  expect(complete).toBe(true)
  expect([...together.keys()]).toEqual([1])
})

test('there are fields of prime powers only', () => {
  expect([6, 10, 12].map(order => affineRounds(order, 2))).toEqual([null, null, null])
  expect(transversalRounds(6, 4)).toBeNull()
  expect(transversalRounds(4, 5)).toBeNull()
  expect(primePower(27)).toEqual({ prime: 3, power: 3 })
})
