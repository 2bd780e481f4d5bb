import { type RandomStream, randomStream, shuffled } from '../random/random'

/** One group of a grouping: its name and who is in it, by person id. */
export interface Group {
  id: string
  name: string
  personIds: string[]
}

/** Groups and the people who are in none of them. Every person stands in exactly one place. */
export interface Arrangement {
  groups: Group[]
  unplacedIds: string[]
}

/** What the engine is asked: who, in what sizes, from which seed, and the groups that must not come back. */
export interface GroupingProblem {
  personIds: string[]
  sizes: number[]
  seed: number
  /** The groups before, as lists of person ids: the answer differs from them whenever another exists. */
  previous?: string[][]
}

/** `differs` is null when nothing was there to differ from, false when no other grouping exists. */
export interface GroupingAnswer {
  groups: string[][]
  differs: boolean | null
}

/** A fair draw repeats the grouping before at most once in three; after this many the swap below decides. */
const DRAWS = 40

/**
 * Draws a grouping at random, every grouping of these sizes equally likely, and never the one before when
 * another exists: a repeat is drawn again, which leaves all others equally likely.
 *
 * `sizes` sum to the number of people. Same problem, same answer. O(n) a draw.
 * Throws RangeError when the sizes do not fit the people: the caller computed them wrongly.
 */
export function drawGrouping(problem: GroupingProblem): GroupingAnswer {
  const places = problem.sizes.reduce((sum, size) => sum + size, 0)
  if (places !== problem.personIds.length) {
    throw new RangeError(`${problem.personIds.length} people do not fill ${places} places`)
  }
  const random = randomStream(problem.seed)
  const before = problem.previous && togetherKey(problem.previous)
  let groups = cut(shuffled(problem.personIds, random), problem.sizes)
  if (before === undefined) return { groups, differs: null }
  for (let draw = 1; draw < DRAWS && togetherKey(groups) === before; draw++) {
    groups = cut(shuffled(problem.personIds, random), problem.sizes)
  }
  if (togetherKey(groups) === before) groups = swapBetweenTwo(groups, random)
  return { groups, differs: togetherKey(groups) !== before }
}

/**
 * A text that is equal for two groupings exactly when the same people sit together: neither the order of the
 * groups nor the order inside one counts. O(n log n).
 */
export function togetherKey(groups: readonly (readonly string[])[]): string {
  return groups
    .filter(group => group.length > 0)
    .map(group => [...group].sort().join('\u0001'))
    .sort()
    .join('\u0002')
}

/**
 * Exchanges one person between two groups. With groups of two or more this always changes who sits with whom;
 * with a single group nothing can.
 */
function swapBetweenTwo(groups: string[][], random: RandomStream): string[][] {
  const [first, second] = shuffled([...groups.keys()], random)
  if (first === undefined || second === undefined) return groups
  const next = groups.map(group => [...group])
  const [left, right] = [next[first] as string[], next[second] as string[]]
  const [from, to] = [random.below(left.length), random.below(right.length)]
  const moved = left[from] as string
  left[from] = right[to] as string
  right[to] = moved
  return next
}

function cut(order: readonly string[], sizes: readonly number[]): string[][] {
  let start = 0
  return sizes.map(size => {
    const group = order.slice(start, start + size)
    start += size
    return group
  })
}
