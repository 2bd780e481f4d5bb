import type { Problem } from './problem'

/**
 * A cost below which no arrangement can be, whole or a little less than what can be reached: for each kind of cost the
 * least it can be alone, added up. O(people^2 log people).
 *
 * - pairs: in a group of s everybody has s - 1 others with them, so at least the sum of their s - 1 cheapest pairs,
 *   those they are apart from left out; every pair is counted from both sides.
 * - groups of equals: see `clusterBound`.
 * - spreads: |n S_g - s_g T| is a whole number that leaves the same rest as s_g T when divided by n.
 */
export function lowerBound(problem: Problem): number {
  return Math.max(degreeBound(problem), clusterBound(problem)) + spreadBound(problem) + placeBound(problem)
}

function degreeBound(problem: Problem): number {
  const { people, groups, pairCosts, apart } = problem
  const smallest = Math.min(...groups.map(group => group.min))
  if (people < 2 || smallest < 2) return 0
  const kept = new Set(apart.flatMap(([a, b]) => [a * people + b, b * people + a]))
  const least = Array.from({ length: people }, (_, person) => {
    const costs: number[] = []
    for (let other = 0; other < people; other++) {
      if (other !== person && !kept.has(person * people + other))
        costs.push(pairCosts[person * people + other] ?? 0)
    }
    costs.sort((one, next) => one - next)
    const upTo = [0]
    for (const cost of costs) upTo.push((upTo.at(-1) ?? 0) + cost)
    return upTo
  })
  // Everybody has at least as many others as the smallest group gives; more in the larger ones only if sizes are fixed.
  const sizes = groups
    .flatMap(group => Array<number>(group.min).fill(group.min))
    .sort((one, next) => one - next)
  while (sizes.length < people) sizes.push(smallest)
  let sum = least.reduce((total, upTo) => total + (upTo[smallest - 1] ?? 0), 0)
  for (let size = smallest + 1; size <= Math.max(...sizes); size++) {
    // As many as must be in groups of this size or more each have a further other: the cheapest such steps.
    const many = sizes.filter(each => each >= size).length
    const steps = least
      .map(upTo => (upTo[size - 1] ?? Number.POSITIVE_INFINITY) - (upTo[size - 2] ?? 0))
      .filter(Number.isFinite)
      .sort((one, next) => one - next)
    for (const step of steps.slice(0, many)) sum += step
  }
  return Math.ceil(sum / 2)
}

/**
 * When costs are highest inside clusters of people (the same category, or who met often), some of each cluster must
 * share a group: k people over g groups make at least the pairs of an even share. Clusters are people who all cost at
 * least c with each other, found from the pairs of the highest cost; they are kept disjoint.
 */
function clusterBound(problem: Problem): number {
  const { people, groups, pairCosts } = problem
  const levels = [...new Set(pairCosts)].filter(cost => cost > 0).sort((one, other) => other - one)
  let best = 0
  for (const level of levels.slice(0, 12)) {
    const taken = new Uint8Array(people)
    let bound = 0
    for (let person = 0; person < people; person++) {
      if (taken[person]) continue
      const cluster = [person]
      for (let other = person + 1; other < people; other++) {
        if (taken[other]) continue
        if (cluster.every(member => (pairCosts[member * people + other] ?? 0) >= level)) cluster.push(other)
      }
      for (const member of cluster) taken[member] = 1
      const [share, larger] = [Math.floor(cluster.length / groups.length), cluster.length % groups.length]
      const pairs =
        larger * ((share * (share + 1)) / 2) + (groups.length - larger) * ((share * (share - 1)) / 2)
      bound += pairs * level
    }
    best = Math.max(best, bound)
  }
  return best
}

function spreadBound(problem: Problem): number {
  const { people, groups, spreads } = problem
  let bound = 0
  for (const { values, weight } of spreads) {
    const total = values.reduce((sum, value) => sum + value, 0)
    for (const { min, max } of groups) {
      let least = Number.POSITIVE_INFINITY
      for (let size = min; size <= max; size++) {
        const rest = (((size * total) % people) + people) % people
        least = Math.min(least, rest, people - rest)
      }
      if (Number.isFinite(least)) bound += weight * least
    }
  }
  return bound
}

function placeBound(problem: Problem): number {
  const { people, groups, placeCosts } = problem
  if (!placeCosts) return 0
  let bound = 0
  for (let person = 0; person < people; person++) {
    bound += Math.min(...groups.map((_, group) => placeCosts[group * people + person] ?? 0))
  }
  return bound
}
