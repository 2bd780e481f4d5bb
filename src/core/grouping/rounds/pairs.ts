/**
 * Pairs for as many rounds as can be without anybody meeting twice: people as numbers from 0, rounds x groups x people.
 * With an even number of people that is n - 1 rounds and every two meet once; with an odd number n rounds, and the one
 * who would sit out joins a pair of three, somebody else every round.
 *
 * Source: Kirkman, "On a problem in combinations", 1847 (the circle method). `people` is at least 2.
 */
export function pairRounds(people: number): number[][][] {
  const seats = people + (people % 2)
  return Array.from({ length: seats - 1 }, (_, round) => {
    const pairs: number[][] = [[seats - 1, round]]
    for (let step = 1; step < seats / 2; step++) {
      pairs.push([(round + step) % (seats - 1), (round - step + seats - 1) % (seats - 1)])
    }
    return people % 2 === 0 ? pairs : withThree(pairs, round)
  })
}

/**
 * The one beside the empty seat joins the pair two seats away on the circle: then, from seven people on, nobody is of a
 * group of three twice in a row.
 */
function withThree(pairs: number[][], round: number): number[][] {
  const [, ...others] = pairs
  const joined = others[1] ?? others[0]
  return joined ? [[...joined, round], ...others.filter(pair => pair !== joined)] : [[round]]
}
