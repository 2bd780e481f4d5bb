/** Orders tried before the one at hand is kept. */
const MOST_TRIES = 20_000

/**
 * With an odd number of people in pairs, one group is of three: puts the rounds in an order in which nobody is in it twice
 * in a row. Rounds as groups of people; the same order when there is none, or none was found in time.
 */
export function threesApart<Person>(rounds: readonly Person[][][]): number[] {
  const threes = rounds.map(groups => new Set(groups.find(group => group.length === 3)))
  const disjoint = (one: number, other: number) =>
    ![...(threes[one] ?? [])].some(person => threes[other]?.has(person))
  let tries = MOST_TRIES
  const extend = (order: number[]): number[] | null => {
    if (order.length === rounds.length) return order
    if (tries-- <= 0) return null
    for (const round of rounds.keys()) {
      const last = order.at(-1)
      if (order.includes(round) || (last !== undefined && !disjoint(last, round))) continue
      const found = extend([...order, round])
      if (found) return found
    }
    return null
  }
  return extend([]) ?? [...rounds.keys()]
}
