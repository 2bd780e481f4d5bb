import { randomStream, shuffled } from '../../random/random'
import { Numbers } from '../engine/search'
import { firstPlaces, startPenalty } from '../engine/solve'
import { personPlaces, searchState } from '../engine/state'
import type { Units } from '../engine/units'
import type { GroupingQuestion } from '../pose'
import { type DesignedRounds, developedRounds, longestDesign, type RoundsMethod } from './portfolio'
import {
  coolRounds,
  meanRoundsChange,
  placesOfRounds,
  type RoundsState,
  reseat,
  roundsState,
  settleRounds,
} from './search'
import { type RoundsBudget, type RoundsTask, roundsTask } from './task'
import { isBetterPlan, isProved, type Plan, planOf, weighed } from './weigh'

/** Several rounds on the way to the best ones, as ids. */
export interface RoundsStep {
  /** Rounds x groups x person ids, groups in the order of the question's. */
  rounds: string[][][]
  /** Over all pairs who need not stay together, how often they meet again within these rounds. */
  repeats: number
  /** No plan of these rounds has fewer repeats. */
  leastRepeats: number
  /** How many things the rules ask for are not as they should be, over all rounds. */
  broken: number
  /** What the rounds cost by the aims. */
  cost: number
  /** Keeps all rules, and no plan has fewer repeats, or as few at a lower cost. */
  proved: boolean
  method: RoundsMethod
  steps: number
}

/**
 * Plans several rounds of groups in the same sizes: nobody meets twice if that can be, every rule is kept in every round,
 * and the aims count in each, the history before it among them. Yields better and better plans; the last is the best.
 *
 * A known construction is taken as it is where nothing but repeats counts, and as a start for the search otherwise.
 * `seats` says for each round which group somebody stays in, by person id; where a rule says otherwise, the rule holds. The
 * same question, seed and steps give the same answer everywhere. The aim to keep people where they are says nothing about
 * several rounds, and is left out; so is `held`, in place of which there are the seats.
 */
export function* planRounds(
  asked: GroupingQuestion,
  budget: RoundsBudget,
  seats: readonly ReadonlyMap<string, number>[] = [],
): Generator<RoundsStep, RoundsStep> {
  const task = roundsTask(asked, budget, seats)
  const search = new RoundsSearch(task, budget)
  yield search.step()
  if (search.takeDesign(longestDesign(task.sizes, budget.rounds))) yield search.step()
  let developed = search.best.repeats === 0
  while (search.goesOn) {
    if (search.cool()) yield search.step()
    if (developed || search.steps < SEARCH_FIRST) continue
    developed = true
    if (search.best.repeats === 0 || task.least > 0) continue
    if (search.takeDesign(developedRounds(task.sizes, budget.rounds))) yield search.step()
  }
  return search.step()
}

/** The search over all rounds, with the best plan it has come upon. */
class RoundsSearch {
  best: Plan
  steps = 0
  private state: RoundsState
  private penalty: number
  private warm = WARM
  private cycle: number
  private stuck = false
  private readonly numbers: Numbers

  constructor(
    private readonly task: RoundsTask,
    private readonly budget: RoundsBudget,
  ) {
    const { problem, units, fixedIn } = task
    this.numbers = new Numbers(budget.seed)
    this.penalty = startPenalty(problem)
    this.cycle = 2000 * units.members.length
    this.state = this.stateAt(
      fixedIn.map(fixed =>
        firstPlaces(searchState(problem, { ...units, fixed }, this.penalty), this.numbers),
      ),
    )
    this.best = planOf(task, this.places(), 'search')
  }

  get goesOn(): boolean {
    return !this.stuck && this.steps < this.budget.steps && !isProved(this.best, this.task)
  }

  step(): RoundsStep {
    const { places, repeats, broken, cost, method } = this.best
    return {
      rounds: places.map(at => idsOf(this.task.question, at)),
      repeats,
      leastRepeats: this.task.least,
      broken,
      cost,
      proved: isProved(this.best, this.task),
      method,
      steps: this.steps,
    }
  }

  /** Takes a construction in, and goes on from it when it is better than what there is. */
  takeDesign(designed: DesignedRounds | null): boolean {
    const { problem, units, question, isSeated } = this.task
    const single = units.members.length === problem.people && !units.relaxed && !isSeated
    if (!designed || !single) return false
    const places = seated(designed.rounds, question, this.budget.seed)
    reseat(problem, units, places, { penalty: this.penalty, steps: RESEAT_STEPS }, this.numbers)
    // A construction for fewer rounds: those the search began with fill it up.
    places.push(...this.places().slice(places.length))
    if (!this.take(places, designed.method)) return false
    this.state = this.stateAt(places.map(at => unitsIn(units, at)))
    this.warm = WARM_FROM_DESIGN
    return true
  }

  /** Warms the rounds up and cools them once, and says whether that gave a better plan. */
  cool(): boolean {
    const { task } = this
    const mean = meanRoundsChange(this.state, this.numbers)
    const used = coolRounds(
      this.state,
      {
        start: this.warm * mean,
        end: COLD * mean,
        steps: Math.min(this.cycle, Math.max(1, this.budget.steps - this.steps)),
      },
      this.numbers,
      task.cheapest + task.least * task.repeat,
    )
    // At the target already, and yet not taken: no further cooling would find another.
    this.stuck = used === 0
    if (this.stuck) return false
    this.steps += used
    this.cycle = Math.floor(this.cycle * 1.5)
    const places = this.places()
    // Improved by a search that began with a construction and still has no repeats: it is that construction, reseated.
    const better = this.take(places, this.best.repeats === 0 ? this.best.method : 'search')
    if (weighed(task, places).broken > 0 && this.penalty < MOST_PENALTY) {
      this.penalty *= 2
      this.state = this.stateAt(placesOfRounds(this.state))
    }
    return better
  }

  private take(places: Int16Array[], method: RoundsMethod): boolean {
    const plan = planOf(this.task, places, method)
    if (!isBetterPlan(plan, this.best)) return false
    this.best = plan
    return true
  }

  private stateAt(places: readonly ArrayLike<number>[]): RoundsState {
    const { problem, units, fixedIn, repeat } = this.task
    const state = roundsState(problem, units, fixedIn, { penalty: this.penalty + 4 * repeat, repeat })
    settleRounds(state, places)
    return state
  }

  private places(): Int16Array[] {
    const { units, problem } = this.task
    return this.state.rounds.map(part => personPlaces(units, part.place, problem.people))
  }
}

/** Exchanges of seats tried in a construction, before the search goes on from it. */
const RESEAT_STEPS = 100_000

/** Steps before base rounds are looked for: what the search finds at once need not be constructed. */
const SEARCH_FIRST = 1_000_000

/** Where a cooling over several rounds begins and ends, as shares of the mean change. */
const WARM = 0.25
const COLD = 0.03
/** A construction is worth keeping: the search that goes on from it begins colder. */
const WARM_FROM_DESIGN = 0.06

/** What a broken rule costs is doubled up to here. */
const MOST_PENALTY = 1e7

/** A plan of numbers with the people of the question in a random order; groups of each size in the question's places. */
function seated(rounds: readonly number[][][], question: GroupingQuestion, seed: number): Int16Array[] {
  const order = shuffled([...question.people.keys()], randomStream(seed))
  const bySize = [...question.groups.keys()].sort(
    (one, other) => (question.groups[other]?.size ?? 0) - (question.groups[one]?.size ?? 0),
  )
  return rounds.map(round => {
    const places = new Int16Array(order.length)
    for (const [at, group] of round.entries())
      for (const point of group) places[order[point] ?? 0] = bySize[at] ?? 0
    return places
  })
}

const unitsIn = (units: Units, places: ArrayLike<number>): number[] =>
  units.members.map(members => places[members[0] ?? 0] ?? 0)

function idsOf(question: GroupingQuestion, places: Int16Array): string[][] {
  const groups = question.groups.map((): string[] => [])
  for (const [number, person] of question.people.entries()) groups[places[number] ?? 0]?.push(person.id)
  return groups
}
