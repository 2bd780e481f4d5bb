import { develop, type Frame, findBaseRounds } from './base-rounds'
import { affineRounds, primePower, type Rounds, transversalRounds } from './designs'
import { knownRounds } from './known'
import { pairRounds } from './pairs'

/** Where a plan of rounds comes from: a construction that mathematics has, or the search. */
export const ROUNDS_METHODS = ['circle', 'affine', 'transversal', 'base-rounds', 'search'] as const
export type RoundsMethod = (typeof ROUNDS_METHODS)[number]

export interface DesignedRounds {
  method: RoundsMethod
  /** In every round the largest groups come first. */
  rounds: Rounds
}

/**
 * A plan of so many rounds in these sizes without anybody meeting twice, by algebra; null when none is known here. Sizes
 * differ by at most one, largest first. For sizes that differ, people who never meet are taken out of a plan for more
 * people. At once.
 */
export function designedRounds(sizes: readonly number[], rounds: number): DesignedRounds | null {
  const size = sizes[0] ?? 0
  const people = sizes.reduce((sum, each) => sum + each, 0)
  if (size === 2 && people === 2 * sizes.length) {
    return rounds < people ? { method: 'circle', rounds: pairRounds(people).slice(0, rounds) } : null
  }
  if (rounds === 1) return { method: 'circle', rounds: [inOrder(sizes)] }
  return fitted(sizes, rounds, affine) ?? fitted(sizes, rounds, transversal) ?? fitted(sizes, rounds, known)
}

/**
 * The same, by base rounds that are looked for and then developed over a cyclic group: up to a few seconds. Every answer
 * is a plan without repeats; null says only that none was found.
 */
export function developedRounds(sizes: readonly number[], rounds: number): DesignedRounds | null {
  return fitted(sizes, rounds, based)
}

type Construction = (groups: number, size: number, rounds: number) => DesignedRounds | null

/** Builds a plan for as many people as the groups could hold, and takes out those who are too many. */
function fitted(sizes: readonly number[], rounds: number, build: Construction): DesignedRounds | null {
  const size = sizes[0] ?? 0
  if (size < 3 || sizes.some(each => each < size - 1)) return null
  const found = build(sizes.length, size, rounds)
  const missing = sizes.filter(each => each < size).length
  const left = found && takeOut(found.rounds.slice(0, rounds), sizes.length * size, missing)
  return left && { method: found.method, rounds: left.map(largestFirst) }
}

function affine(groups: number, size: number, rounds: number): DesignedRounds | null {
  let [people, dimension] = [size, 1]
  while (people < groups * size) {
    people *= size
    dimension++
  }
  if (people !== groups * size || dimension < 2 || rounds > (people - 1) / (size - 1) || !primePower(size))
    return null
  const found = affineRounds(size, dimension)
  return found && { method: 'affine', rounds: found }
}

/**
 * Rounds across columns: columns are grouped as people would be in a smaller plan, and every group of columns holds as many
 * rounds as a column is high. When columns divide into groups, further rounds inside them.
 */
function transversal(groups: number, size: number, rounds: number): DesignedRounds | null {
  for (let outer = 1; outer < groups; outer++) {
    const height = groups / outer
    const across = groups % outer === 0 ? transversalRounds(height, size) : null
    const plan =
      across && designedRounds(Array<number>(outer).fill(size), outerRounds(outer, size, rounds / height))
    if (!across || !plan) continue
    const found = plan.rounds.flatMap(columns =>
      across.map(round =>
        columns.flatMap(chosen =>
          round.map(group => group.map((at, index) => (at % height) + height * (chosen[index] as number))),
        ),
      ),
    )
    if (found.length >= rounds) return { method: 'transversal', rounds: found }
    const within = height % size === 0 ? insideOf(height / size, size, rounds - found.length) : null
    if (within && within.length >= rounds - found.length) {
      const inside = within.map(round =>
        Array.from({ length: outer * size }, (_, column) =>
          round.map(group => group.map(at => at + height * column)),
        ).flat(),
      )
      return { method: 'transversal', rounds: [...found, ...inside] }
    }
  }
  return null
}

/** As many rounds of columns as are wanted, or as can be. */
const outerRounds = (groups: number, size: number, wanted: number): number =>
  Math.min(Math.ceil(wanted), Math.floor((groups * size - 1) / (size - 1)))

const insideOf = (groups: number, size: number, rounds: number): Rounds | null =>
  groups === 1
    ? [[[...Array(size).keys()]]]
    : (designedRounds(Array<number>(groups).fill(size), rounds)?.rounds ?? null)

/** Plans kept in a table. */
function known(groups: number, size: number, rounds: number): DesignedRounds | null {
  const found = knownRounds(groups * size, size)
  return found && found.length >= rounds ? { method: 'base-rounds', rounds: found } : null
}

/** Placements looked at before a frame is left for the next one, and how often that may be: some seconds in all. */
const NODES = 200_000
const ATTEMPTS = 60
/** Frames of more points than this were never seen to be settled in time. */
const MOST_POINTS = 60

function based(groups: number, size: number, rounds: number): DesignedRounds | null {
  const people = groups * size
  const tried = people > MOST_POINTS ? [] : frames(people, size, rounds)
  for (let attempt = 0; attempt < ATTEMPTS && tried.length > 0; attempt++) {
    const { frame, count } = tried[attempt % tried.length] as (typeof tried)[number]
    const base = findBaseRounds(frame, count, { seed: attempt, nodes: NODES })
    if (base) return { method: 'base-rounds', rounds: develop(frame, base) }
  }
  return null
}

/** Ways to lay the people out in rows of a cyclic group with room for all differences; few base rounds first. */
function frames(people: number, size: number, rounds: number): { frame: Frame; count: number }[] {
  const found: { frame: Frame; count: number }[] = []
  const most = Math.floor((people - 1) / (size - 1))
  for (const count of [1, 2]) {
    for (let modulus = Math.ceil(rounds / count); modulus * count <= most; modulus++) {
      for (let fixed = 0; fixed <= 3; fixed++) {
        if (modulus < 2 || (people - fixed) % modulus !== 0) continue
        const rows = (people - fixed) / modulus
        const differences =
          rows * Math.floor((modulus - 1) / 2) + ((rows * (rows - 1)) / 2) * modulus + fixed * rows
        if ((count * people * (size - 1)) / 2 > differences) continue
        found.push({ frame: { modulus, rows, fixed, size }, count })
      }
    }
  }
  return found
}

/** Takes so many points out who are never together, and numbers the others anew; null when there are not so many. */
function takeOut(rounds: Rounds, points: number, count: number): Rounds | null {
  if (count === 0) return rounds
  const meet = new Uint8Array(points * points)
  for (const group of rounds.flat()) for (const a of group) for (const b of group) meet[a * points + b] = 1
  const out = strangers(meet, points, count)
  if (!out) return null
  const gone = new Set(out)
  const number = new Map(
    [...Array(points).keys()].filter(point => !gone.has(point)).map((point, at) => [point, at]),
  )
  return rounds.map(round => round.map(group => group.flatMap(point => number.get(point) ?? [])))
}

/** So many points no two of which meet. Greedy from each point in turn: enough for columns, which meet nowhere inside. */
function strangers(meet: Uint8Array, points: number, count: number): number[] | null {
  for (let first = 0; first < points; first++) {
    const chosen = [first]
    for (let next = 0; next < points && chosen.length < count; next++) {
      if (chosen.every(point => point !== next && meet[point * points + next] === 0)) chosen.push(next)
    }
    if (chosen.length === count) return chosen
  }
  return null
}

/** One round: people in groups as they come. */
function inOrder(sizes: readonly number[]): number[][] {
  let next = 0
  return sizes.map(size => Array.from({ length: size }, () => next++))
}

const largestFirst = (round: number[][]): number[][] =>
  [...round].sort((one, other) => other.length - one.length)

/** Pairs over rounds with an odd number of people, one of them joining a pair: by the circle, begun anew when it is through. */
export function oddPairRounds(people: number, rounds: number): DesignedRounds {
  const circle = pairRounds(people)
  return {
    method: 'circle',
    rounds: Array.from({ length: rounds }, (_, round) => largestFirst(circle[round % people] ?? [])),
  }
}

/** The construction for most of the rounds asked for. */
export function longestDesign(sizes: readonly number[], rounds: number): DesignedRounds | null {
  for (let fewer = rounds; fewer > 1; fewer--) {
    const found = designs(sizes, fewer)
    if (found) return found
  }
  return null
}

function designs(sizes: readonly number[], rounds: number): DesignedRounds | null {
  if ((sizes[0] ?? 0) - (sizes.at(-1) ?? 0) > 1) return null
  const found = designedRounds(sizes, rounds)
  if (found) return found
  // Pairs and one group of three.
  const [first, ...others] = sizes
  return first === 3 && others.every(size => size === 2) ? oddPairRounds(3 + 2 * others.length, rounds) : null
}
