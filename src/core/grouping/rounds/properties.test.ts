import fc from 'fast-check'
import type { GroupingQuestion } from '../pose'
import type { Rule } from '../rules'
import { evenSizes } from '../sizes'
import { planRounds, type RoundsStep } from './plan'

interface Small {
  people: number
  groups: number
  rounds: number
  apart: [number, number][]
  together: [number, number][]
}

const person = (most: number) => fc.nat(most - 1)
/** Few enough for every plan of the rounds to be gone through: at most 35 ways to fill one. */
const smalls = fc
  .constantFrom([6, 2], [6, 3], [7, 2], [5, 2])
  .chain(([people = 6, groups = 2]) =>
    fc.record({
      people: fc.constant(people),
      groups: fc.constant(groups),
      rounds: fc.integer({ min: 2, max: 3 }),
      apart: fc.array(fc.tuple(person(people), person(people)), { maxLength: 2 }),
      together: fc.array(fc.tuple(person(people), person(people)), { maxLength: 1 }),
    }),
  )
  .map(
    (small): Small => ({
      ...small,
      apart: small.apart.filter(([a, b]) => a !== b),
      together: small.together.filter(([a, b]) => a !== b),
    }),
  )

/** Two rules that say the same made a search start with a group of four and one of two, and exchanges alone keep such sizes. */
const RULE_TWICE: Small = {
  people: 6,
  groups: 2,
  rounds: 2,
  apart: [
    [2, 1],
    [2, 1],
  ],
  together: [],
}

const rule = (kind: 'apart' | 'together', [a, b]: [number, number]): Rule => ({
  id: `${kind}-${a}-${b}`,
  reason: '',
  kind,
  personIds: [String(a), String(b)],
})

/** The question, its people named in the order given. */
function question(small: Small, order = [...Array(small.people).keys()]): GroupingQuestion {
  return {
    people: order.map(at => ({ id: String(at), trainedToLead: false, columns: {} })),
    groups: evenSizes(small.people, small.groups).map((size, index) => ({
      name: `Group ${index + 1}`,
      size,
    })),
    rules: [
      ...small.apart.map(pair => rule('apart', pair)),
      ...small.together.map(pair => rule('together', pair)),
    ],
    aims: [],
    columns: [],
    history: new Map(),
    now: new Map(),
    held: new Set(),
  }
}

function planned(asked: GroupingQuestion, rounds: number): RoundsStep {
  const search = planRounds(asked, { rounds, seed: 1, steps: 120_000 })
  for (;;) {
    const { done, value } = search.next()
    if (done) return value
  }
}

/** Every way to fill the groups with the rules kept: who is with whom, as a number of one bit a pair. */
function fillings({ people, groups, apart, together }: Small): number[] {
  const sizes = evenSizes(people, groups)
  const found: number[] = []
  const places: number[] = []
  const fill = () => {
    if (places.length === people) {
      const same = ([a, b]: [number, number]) => places[a] === places[b]
      if (!apart.some(same) && together.every(same)) found.push(pairsOf(places))
      return
    }
    for (const [group, size] of sizes.entries()) {
      if (places.filter(place => place === group).length === size) continue
      places.push(group)
      fill()
      places.pop()
    }
  }
  fill()
  return [...new Set(found)]
}

function pairsOf(places: number[]): number {
  let [pairs, bit] = [0, 1]
  for (let a = 0; a < places.length; a++)
    for (let b = 0; b < a; b++, bit *= 2) if (places[a] === places[b]) pairs += bit
  return pairs
}

const bits = (number: number): number => number.toString(2).replaceAll('0', '').length

/** Fewest repeats of any plan that keeps the rules, those of people who must be together left out; by going through all. */
function fewestRepeats(small: Small): number | null {
  const ways = fillings(small)
  const always = ways.length > 0 && small.together.length > 0 ? 1 : 0
  let fewest = Number.POSITIVE_INFINITY
  const add = (from: number, left: number, met: number, repeats: number) => {
    if (repeats >= fewest) return
    if (left === 0) {
      fewest = repeats
      return
    }
    for (let at = from; at < ways.length; at++) {
      const way = ways[at] as number
      add(at, left - 1, met | way, repeats + bits(met & way))
    }
  }
  add(0, small.rounds, 0, 0)
  return ways.length === 0 ? null : fewest - always * (small.rounds - 1)
}

test('several rounds of a few people have as few repeats as any plan of all, with every rule kept in each', () => {
  fc.assert(
    fc.property(smalls, small => {
      const fewest = fewestRepeats(small)
      const plan = planned(question(small), small.rounds)
      if (fewest === null) expect(plan.broken).toBeGreaterThan(0)
      else {
        expect(plan).toMatchObject({ broken: 0, repeats: fewest })
        expect(plan.leastRepeats).toBeLessThanOrEqual(fewest)
      }
      for (const round of plan.rounds)
        expect(round.flat().map(Number).sort()).toEqual([...Array(small.people).keys()])
    }),
    { numRuns: 60 },
  )
})

test('other names change nothing, and a rule more is never an improvement', () => {
  fc.assert(
    fc.property(smalls, fc.nat(4), fc.nat(4), (small, turn, other) => {
      const score = (asked: GroupingQuestion) => {
        const { broken, repeats } = planned(asked, small.rounds)
        return broken * 1000 + repeats
      }
      const order = [...Array(small.people).keys()].map(at => (at + turn) % small.people)
      const before = score(question(small))
      expect(score(question(small, order))).toBe(before)
      // Together takes the pair out of what counts as a repeat: only a pair kept apart can be compared.
      const more: Small = { ...small, apart: [...small.apart, [0, 1 + other]] }
      if (!small.together.some(([a, b]) => Math.min(a, b) === 0 && Math.max(a, b) === 1 + other))
        expect(score(question(more))).toBeGreaterThanOrEqual(before)
    }),
    { numRuns: 40, examples: [[RULE_TWICE, 0, 1]] },
  )
})
