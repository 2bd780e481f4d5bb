/** A topic or room that people choose from: fewest and most people. */
export interface Topic {
  min: number
  max: number
}

/** Where everybody goes. `rank` is 1 for a first choice, null for somebody who did not rank the topic they got. */
export interface ChoiceResult {
  places: { topic: number; rank: number | null }[]
  /** How many got a topic they did not rank, and the sum of the others' ranks: neither can be less. */
  unranked: number
  rankSum: number
}

export type ChoiceProblem =
  | { code: 'too-few-places'; people: number; places: number }
  | { code: 'too-few-people'; people: number; needed: number }

/**
 * Shares topics out by ranked wishes: `wishes` are topic numbers in order of preference, a list for each person. As few as
 * can be get a topic they did not rank, then the sum of ranks is the least there is, and every topic keeps its sizes. Of
 * the ways to do so, one whose sizes differ least (by the sum of their squares) is taken.
 *
 * Source of the method: successive shortest paths for the transportation problem (Busacker and Gowen, 1960), with a topic's
 * first places, up to its smallest size, made cheap enough to be filled before all else, and every further place a little
 * dearer than the one before. O(people x (topics^3 + people)); where
 * few have to move for one who comes, about people x topics x (topics + people / topics).
 */
export function shareByWishes(
  topics: readonly Topic[],
  wishes: readonly (readonly number[])[],
): { ok: true; result: ChoiceResult } | { ok: false; problem: ChoiceProblem } {
  const people = wishes.length
  const sum = (numbers: number[]) => numbers.reduce((total, number) => total + number, 0)
  const places = sum(topics.map(topic => topic.max))
  const needed = sum(topics.map(topic => topic.min))
  if (people > places) return { ok: false, problem: { code: 'too-few-places', people, places } }
  if (people < needed) return { ok: false, problem: { code: 'too-few-people', people, needed } }
  const unrankedCost = people * (topics.length + 1)
  const cost = wishes.map(list =>
    topics.map((_, topic) => (list.includes(topic) ? list.indexOf(topic) + 1 : unrankedCost)),
  )
  const topicOf = new Transport(topics, cost, unrankedCost * (people + 1)).share()
  const result = topicOf.map((topic, person) => {
    const rank = wishes[person]?.indexOf(topic) ?? -1
    return { topic, rank: rank < 0 ? null : rank + 1 }
  })
  return {
    ok: true,
    result: {
      places: result,
      unranked: result.filter(({ rank }) => rank === null).length,
      rankSum: sum(result.map(({ rank }) => rank ?? 0)),
    },
  }
}

/** First come, first served: everybody in the order they came gets the first of their wishes that has a place left, or none. */
export function shareByArrival(
  topics: readonly Topic[],
  wishes: readonly (readonly number[])[],
): (number | null)[] {
  const left = topics.map(topic => topic.max)
  return wishes.map(list => {
    const topic = list.find(each => (left[each] ?? 0) > 0)
    if (topic === undefined) return null
    left[topic] = (left[topic] ?? 0) - 1
    return topic
  })
}

class Transport {
  private readonly members: number[][]
  /** For each topic its cheapest moves, as long as nobody came to it or left it. */
  private readonly known: ({ cost: number; person: number }[] | undefined)[] = []
  private readonly topicOf: number[] = []

  constructor(
    private readonly topics: readonly Topic[],
    private readonly cost: readonly (readonly number[])[],
    private readonly filling: number,
  ) {
    this.members = topics.map(() => [])
  }

  share(): number[] {
    for (let person = 0; person < this.cost.length; person++) this.place(person)
    return this.topicOf
  }

  /** Places one more at the least further cost: into a topic, somebody of it into the next, and so on to a free place. */
  private place(person: number): void {
    const count = this.topics.length
    const distance = this.topics.map((_, topic) => this.cost[person]?.[topic] ?? 0)
    const from = Array<number>(count).fill(-1)
    const moves = this.topics.map((_, topic) => (this.known[topic] ??= this.cheapestMoves(topic)))
    // Bellman and Ford: costs of moves may be negative, rounds of them never are.
    for (let round = 1, changed = true; round < count && changed; round++) {
      changed = false
      for (let one = 0; one < count; one++) {
        for (let other = 0; other < count; other++) {
          const through = (distance[one] ?? 0) + (moves[one]?.[other]?.cost ?? Number.POSITIVE_INFINITY)
          if (through >= (distance[other] ?? 0)) continue
          distance[other] = through
          from[other] = one
          changed = true
        }
      }
    }
    let [end, least] = [0, Number.POSITIVE_INFINITY]
    for (const [topic, { min, max }] of this.topics.entries()) {
      const size = this.members[topic]?.length ?? 0
      if (size >= max) continue
      // All that differing sizes can ever cost together stays below one rank.
      const whole = ((distance[topic] ?? 0) - (size < min ? this.filling : 0)) * this.cost.length ** 2 + size
      if (whole < least) [end, least] = [topic, whole]
    }
    let topic = end
    while ((from[topic] ?? -1) !== -1) {
      const before = from[topic] ?? 0
      this.move(moves[before]?.[topic]?.person ?? 0, topic)
      topic = before
    }
    this.move(person, topic)
  }

  private move(person: number, topic: number): void {
    const before = this.topicOf[person]
    if (before !== undefined) {
      this.members[before] = (this.members[before] ?? []).filter(other => other !== person)
      this.known[before] = undefined
    }
    this.known[topic] = undefined
    this.members[topic]?.push(person)
    this.topicOf[person] = topic
  }

  /** For each other topic the member of this one who would go there at the least further cost. */
  private cheapestMoves(topic: number): { cost: number; person: number }[] {
    return this.topics.map((_, other) => {
      let best = { cost: Number.POSITIVE_INFINITY, person: -1 }
      for (const person of other === topic ? [] : (this.members[topic] ?? [])) {
        const further = (this.cost[person]?.[other] ?? 0) - (this.cost[person]?.[topic] ?? 0)
        if (further < best.cost) best = { cost: further, person }
      }
      return best
    })
  }
}
