import { byReference } from 'tests/fixtures/mixed-integer'
import { randomStream } from '../../random/random'
import { evenSizes } from '../sizes'
import { addPairCost, emptyProblem } from './problem'
import { solveToEnd } from './solve'

test.each([
  [6, 2],
  [6, 3],
  [7, 2],
  [7, 3],
  [8, 2],
  [8, 4],
  [9, 3],
])('%i people in %i groups cost as little as a mixed-integer solver says', (people, groups) => {
  for (let seed = 1; seed <= 3; seed++) {
    const random = randomStream(seed * 100 + people)
    const problem = emptyProblem(
      people,
      evenSizes(people, groups).map(size => ({ min: size, max: size })),
    )
    for (let a = 0; a < people; a++)
      for (let b = a + 1; b < people; b++) addPairCost(problem, a, b, random.below(12))
    problem.apart = [[0, 1 + random.below(people - 1)]]
    const answer = solveToEnd(problem, { seed, steps: 200_000 })
    expect(answer).toMatchObject({ proved: true, score: { broken: 0, cost: byReference(problem) } })
  }
})
