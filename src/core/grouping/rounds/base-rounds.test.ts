import { develop, type Frame, findBaseRounds } from './base-rounds'
import { repeatsOf } from './repeats'

const pointsOf = ({ modulus, rows, fixed }: Frame) => modulus * rows + fixed

/** Frames that a plan without repeats is developed from: people, rounds. Kirkman and nearly Kirkman systems, from memory. */
test.each<[string, Frame, number, number]>([
  ['15 in threes', { modulus: 7, rows: 2, fixed: 1, size: 3 }, 1, 7],
  ['24 in threes', { modulus: 11, rows: 2, fixed: 2, size: 3 }, 1, 11],
  ['24 in fours', { modulus: 7, rows: 3, fixed: 3, size: 4 }, 1, 7],
  ['20 in fours', { modulus: 5, rows: 4, fixed: 0, size: 4 }, 1, 5],
  ['18 in threes, two base rounds', { modulus: 4, rows: 4, fixed: 2, size: 3 }, 2, 8],
])('%s: developed, nobody meets twice', (_, frame, count, rounds) => {
  let base = null
  for (let seed = 0; seed < 40 && !base; seed++) base = findBaseRounds(frame, count, { seed, nodes: 200_000 })
  if (!base) throw new Error('Base rounds are known to exist here.')
  const plan = develop(frame, base)
  expect(plan).toHaveLength(rounds)
  for (const round of plan) {
    expect(round.flat().sort((one, other) => one - other)).toEqual([...Array(pointsOf(frame)).keys()])
    expect(new Set(round.map(group => group.length))).toEqual(new Set([frame.size]))
  }
  expect(repeatsOf(plan, pointsOf(frame))).toBe(0)
})

// Six people in threes can't meet in two rounds without a repeat, and twelve not in five: 2 and 5 base rounds fail. The
// nearly Kirkman systems of 6 and 12 do not exist (Kotzig and Rosa, 1974; from memory).
test.each<[Frame, number]>([
  [{ modulus: 2, rows: 2, fixed: 2, size: 3 }, 1],
  [{ modulus: 5, rows: 2, fixed: 2, size: 3 }, 1],
])('where there is no plan none is found', (frame, count) => {
  for (let seed = 0; seed < 5; seed++)
    expect(findBaseRounds(frame, count, { seed, nodes: 100_000 })).toBeNull()
})

test('it is given up after so many placements, and the same seed finds the same', () => {
  const frame = { modulus: 9, rows: 3, fixed: 1, size: 4 }
  expect(findBaseRounds(frame, 1, { seed: 1, nodes: 10 })).toBeNull()
  const find = (seed: number) =>
    findBaseRounds({ modulus: 7, rows: 2, fixed: 1, size: 3 }, 1, { seed, nodes: 200_000 })
  expect(find(3)).toEqual(find(3))
})
