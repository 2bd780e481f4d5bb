import fc from 'fast-check'
import { randomStream } from '../../random/random'
import { drawBatch, type Held } from './apart'

const held = (many: number): Held[] =>
  Array.from({ length: many }, (_, at) => ({ giverId: `p${at}`, answer: at }))

test.each([0, 1, 2])('%d answers are never written down, not at the end either', many => {
  expect(drawBatch(held(many), false, randomStream(1))).toBeNull()
  expect(drawBatch(held(many), true, randomStream(1))).toBeNull()
})

test.each([3, 4, 5])('%d answers wait until the end: of what would stay one could tell whose it is', many => {
  expect(drawBatch(held(many), false, randomStream(1))).toBeNull()
  expect(drawBatch(held(many), true, randomStream(1))?.batch.answers).toHaveLength(many)
})

test('however answers come, each is written down once, in batches of three or more, as soon as at least three stay behind', () => {
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 80 }), fc.integer(), (many, seed) => {
      const random = randomStream(seed)
      let waiting: Held[] = []
      const [givers, answers]: [string[], unknown[]] = [[], []]
      const write = (all: boolean) => {
        const drawn = drawBatch(waiting, all, random)
        if (!drawn) return
        expect(drawn.batch.giverIds.length).toBeGreaterThanOrEqual(3)
        expect(drawn.batch.answers).toHaveLength(drawn.batch.giverIds.length)
        expect(drawn.batch.giverIds).toEqual([...drawn.batch.giverIds].sort())
        expect(drawn.rest.length === 0 || drawn.rest.length >= 3).toBe(true)
        givers.push(...drawn.batch.giverIds)
        answers.push(...drawn.batch.answers)
        waiting = drawn.rest
      }
      for (const one of held(many)) {
        waiting.push(one)
        write(false)
      }
      write(true)
      expect(new Set(givers).size).toBe(many)
      expect(givers).toHaveLength(many)
      expect(new Set(answers).size).toBe(many)
      expect(waiting).toEqual([])
    }),
  )
})

test('the order of a batch says nothing: each giver’s answer stands at each place about equally often', () => {
  const places = [0, 0, 0, 0]
  for (let seed = 0; seed < 2_000; seed++) {
    const answers = drawBatch(held(4), true, randomStream(seed))?.batch.answers ?? []
    const place = answers.indexOf(0)
    places[place] = (places[place] ?? 0) + 1
  }
  // Of 2,000 by four places 500 each; five times the deviation of a fair lot (19.4) is 97.
  for (const count of places) expect(Math.abs(count - 500)).toBeLessThan(97)
})
