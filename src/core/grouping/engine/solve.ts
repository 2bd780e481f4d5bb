import { lowerBound } from './bound'
import { searchAll } from './exact'
import { isBetter, type Problem, type Score, scoreOf } from './problem'
import { cool, descend, Numbers, typicalChanges } from './search'
import { personPlaces, put, type SearchState, searchState, settle, stateScore } from './state'
import { relaxedUnits, unitsOf } from './units'

/** How far the search may go. Steps, not time, so that a seed gives the same answer on every machine. */
export interface Budget {
  seed: number
  steps: number
}

export interface Answer {
  /** The group of each person. */
  places: Int16Array
  score: Score
  /** No arrangement costs less. */
  bound: number
  /** It keeps every rule, and none that does costs less: the bound is met, or all were gone through. */
  proved: boolean
  /** Steps used so far. */
  steps: number
}

/** A cooling begins at this share of the mean change; with many units, at this share divided by their number. */
const WARM = 0.3
const WARM_MANY = 2
const MANY = 40
/** A cooling ends at this share of a small change, and not below what a change of 1 needs to be passed at times. */
const COLD = 0.05
const COLDEST = 0.3

/** People up to whom all arrangements are gone through, and placements looked at before giving that up. */
const EXACT_UNITS = 16
const EXACT_NODES = 200_000

/**
 * Finds better and better arrangements: yields each as it is found and returns the best. Ends when one is proved best
 * or the steps are used up. The same problem, seed and steps give the same answers everywhere.
 *
 * When the rules can't all hold, the answer breaks as few as were found to do, and says how many.
 */
export function* solve(problem: Problem, budget: Budget): Generator<Answer, Answer> {
  // Worked out after the first answer: with hundreds of people it takes longer than a frame.
  let bound = 0
  const strict = unitsOf(problem)
  let best: Answer | undefined
  let steps = 0
  const take = (places: Int16Array, score: Score, proved = false): boolean => {
    const isProved = proved || (score.broken === 0 && score.cost <= bound)
    if (best && !isBetter(score, best.score) && !(isProved && !best.proved && score.cost === best.score.cost))
      return false
    best = { places, score, bound: isProved ? score.cost : bound, proved: isProved, steps }
    return true
  }
  const numbers = new Numbers(budget.seed)
  for (const units of strict ? [strict] : [relaxedUnits(problem)]) {
    let penalty = startPenalty(problem)
    let state = searchState(problem, units, penalty)
    settle(state, firstPlaces(state, numbers))
    // With hundreds of people the descent takes longer than a frame: something is shown before it.
    take(placesOf(state), stateScore(state))
    if (best) yield best
    bound = lowerBound(problem)
    steps += descend(state)
    take(placesOf(state), stateScore(state))
    if (best) yield best
    // With one group, or at most one unit that may move, there is nothing to search: every place there is was tried.
    if (state.groups < 2 || state.free.length < 2) {
      const only = cheapestPlace(problem, state)
      take(only.places, only.score, only.score.broken === 0)
      break
    }
    let triedAll = units.relaxed || units.members.length > EXACT_UNITS
    const count = units.members.length
    const many = count >= MANY
    // Tried on classes of 30 to 500 people: the more there are, the more of a good start is worth keeping.
    const warm = many ? WARM_MANY / count : WARM
    let cycle = (many ? 4 : 10) * count ** 2
    while (steps < budget.steps && !best?.proved) {
      const { mean, small } = typicalChanges(state, numbers)
      const limited = Math.min(cycle, Math.max(1, budget.steps - steps))
      steps += cool(
        state,
        { start: warm * mean, end: Math.max(COLDEST, COLD * small), steps: limited },
        numbers,
      )
      const score = stateScore(state)
      if (take(placesOf(state), score) && best) yield best
      if (!triedAll) {
        triedAll = true
        const all = searchAll(
          problem,
          units,
          best && best.score.broken === 0 ? best.score.cost : Number.POSITIVE_INFINITY,
          EXACT_NODES,
        )
        steps += all.nodes
        if (all.places && all.score)
          take(personPlaces(units, all.places, problem.people), all.score, all.complete)
        else if (all.complete && best && best.score.broken === 0) take(best.places, best.score, true)
        if (best) yield { ...best, steps }
      }
      if (score.broken > 0 && penalty < 1e8 / Math.max(1, problem.people)) {
        penalty *= 2
        const places = Int16Array.from(state.place)
        state = searchState(problem, units, penalty)
        settle(state, places)
      }
      cycle = Math.floor(cycle * (many ? 2 : 1.5))
    }
  }
  if (!best) throw new Error('A search always has an answer.')
  return { ...best, steps }
}

/** The best of all arrangements where at most one unit may move: it is tried in every group. O(groups x people^2). */
function cheapestPlace(problem: Problem, state: SearchState): { places: Int16Array; score: Score } {
  const [unit] = state.free
  let best = { places: placesOf(state), score: stateScore(state) }
  for (let group = 0; unit !== undefined && group < state.groups; group++) {
    const place = Int16Array.from(state.place)
    place[unit] = group
    const places = personPlaces(state.units, place, problem.people)
    const score = scoreOf(problem, places)
    if (isBetter(score, best.score)) best = { places, score }
  }
  return best
}

/** Runs the search to its end. */
export function solveToEnd(problem: Problem, budget: Budget): Answer {
  const search = solve(problem, budget)
  for (;;) {
    const { done, value } = search.next()
    if (done) return value
  }
}

/**
 * Twice the dearest pair and place: dear enough to be avoided, not so dear that the search can't pass through. What a
 * place costs counts, because mending a rule may mean moving somebody who is dear to move.
 */
export function startPenalty(problem: Problem): number {
  let dearest = 1
  for (const cost of problem.pairCosts) if (cost > dearest) dearest = cost
  const spread = problem.spreads.reduce((sum, { values, weight }) => {
    const range =
      values.reduce((most, value) => Math.max(most, value), 0) -
      values.reduce((least, value) => Math.min(least, value), 0)
    return sum + weight * range * problem.people
  }, 0)
  let dearestPlace = 0
  for (const cost of problem.placeCosts ?? []) if (cost > dearestPlace) dearestPlace = cost
  return 2 * dearest + Math.ceil(spread / 2) + 2 * dearestPlace
}

/** Everybody in turn, the largest units first, where they fit and cost least. */
export function firstPlaces(state: SearchState, numbers: Numbers): Int16Array {
  const { count, groups, units, size } = state
  settle(state, new Int16Array(count).fill(-1))
  const order = [...Array(count).keys()]
  for (let last = count - 1; last > 0; last--) {
    const chosen = numbers.below(last + 1)
    const held = order[last] as number
    order[last] = order[chosen] as number
    order[chosen] = held
  }
  const rank = (unit: number) => ((units.fixed[unit] ?? -1) === -1 ? 0 : 1000) + (size[unit] ?? 0)
  order.sort((one, other) => rank(other) - rank(one))
  for (const unit of order) {
    const fixed = units.fixed[unit] ?? -1
    let [chosen, least] = [fixed === -1 ? 0 : fixed, Number.POSITIVE_INFINITY]
    const offset = numbers.below(groups)
    for (let at = 0; fixed === -1 && at < groups; at++) {
      const group = (at + offset) % groups
      const overfull = Math.max(
        0,
        (state.groupSize[group] ?? 0) + (size[unit] ?? 0) - (state.max[group] ?? 0),
      )
      // Groups that are short of their least size are filled before others grow.
      const full = (state.groupSize[group] ?? 0) >= (state.min[group] ?? 0) ? 0.5 : 0
      const cost = (overfull + full) * state.penalty + (state.sums[group * count + unit] ?? 0)
      if (cost < least) [chosen, least] = [group, cost]
    }
    put(state, unit, chosen)
  }
  return Int16Array.from(state.place)
}

const placesOf = (state: SearchState): Int16Array =>
  personPlaces(state.units, state.place, state.problem.people)
