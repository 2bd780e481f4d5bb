import { randomStream, shuffled } from '../random/random'

/**
 * Two teams at a station, another pair each time: rounds x teams, the station of each team, in as many rounds as there are
 * stations. Every team is at every station once, no station has more than two, and no two teams meet twice: a Howell
 * design H(stations, teams). Null when there can be none, or none of this kind was found: `teams` is even, and with fewer
 * stations than half of them, or as many stations as teams or more, nobody could always have another team beside them.
 *
 * The first round and how far each pair of it stands from its station are looked for, and turned over the residues modulo
 * the number of stations: starter and adder (Stanton and Mullin, 1968; for Howell designs Anderson, Schellenberg and
 * Stinson, 1984; from memory). A few milliseconds for the numbers a class has.
 */
export function howellRounds(stations: number, teams: number): number[][] | null {
  if (teams % 2 !== 0 || stations * 2 < teams || stations >= teams) return null
  const rows = stations * 2 === teams && stations % 2 === 0 ? 2 : 1
  for (let seed = 0; seed < ATTEMPTS; seed++) {
    const search = startSearch({ modulus: stations, moving: rows * stations, teams }, seed)
    if (nextPair(search)) return turned(search)
    // Everything was tried, and another order would not help.
    if (search.left > 0) return null
  }
  return null
}

const ATTEMPTS = 4
const NODES = 4000

/** Teams as points: rows of the residues modulo `modulus`, then those that stay what they are when a round is turned. */
interface Frame {
  modulus: number
  moving: number
  teams: number
}

interface StarterPair {
  pair: [number, number]
  adder: number
}

interface Search {
  frame: Frame
  /** Points in the order in which they are paired: those that stay first. */
  order: number[]
  choices: number[]
  adders: number[]
  /** Points of the first round, and the same moved on by their pairs' adders: both cover everybody. */
  covered: Uint8Array
  coveredMoved: Uint8Array
  usedDifferences: Set<number>
  usedAdders: Set<number>
  starter: StarterPair[]
  /** Pairs that may still be tried. */
  left: number
}

function startSearch(frame: Frame, seed: number): Search {
  const random = randomStream(seed)
  const points = [...Array(frame.teams).keys()]
  return {
    frame,
    order: [...points.slice(frame.moving), ...points.slice(0, frame.moving)],
    choices: shuffled(points, random),
    adders: shuffled([...Array(frame.modulus).keys()], random),
    covered: new Uint8Array(frame.teams),
    coveredMoved: new Uint8Array(frame.teams),
    usedDifferences: new Set(),
    usedAdders: new Set(),
    starter: [],
    left: NODES,
  }
}

/** Pairs the first point that has none, in every way that can go on; true when all have a pair. */
function nextPair(search: Search): boolean {
  const { frame, covered, coveredMoved, usedDifferences, usedAdders, starter } = search
  const a = search.order.find(point => covered[point] === 0)
  if (a === undefined) return true
  covered[a] = 1
  for (const b of search.choices) {
    if (covered[b] === 1) continue
    const difference = differenceOf(frame, a, b)
    if (difference === null || usedDifferences.has(difference)) continue
    usedDifferences.add(difference)
    covered[b] = 1
    for (const adder of search.adders) {
      const [movedA, movedB] = [moved(frame, a, adder), moved(frame, b, adder)]
      if (usedAdders.has(adder) || coveredMoved[movedA] === 1 || coveredMoved[movedB] === 1) continue
      if (search.left-- <= 0) break
      usedAdders.add(adder)
      coveredMoved[movedA] = coveredMoved[movedB] = 1
      starter.push({ pair: [a, b], adder })
      if (nextPair(search)) return true
      starter.pop()
      coveredMoved[movedA] = coveredMoved[movedB] = 0
      usedAdders.delete(adder)
    }
    covered[b] = 0
    usedDifferences.delete(difference)
  }
  covered[a] = 0
  return false
}

/** A number that all turns of a pair share and no other pair has; null for pairs that would meet again. */
function differenceOf({ modulus, moving, teams }: Frame, a: number, b: number): number | null {
  const [low, high] = a < b ? [a, b] : [b, a]
  if (low >= moving) return null
  const [lowRow, highRow] = [Math.floor(low / modulus), Math.floor(high / modulus)]
  if (high >= moving) return 3 * modulus + lowRow * teams + high
  const apart = (high - low) % modulus
  if (lowRow !== highRow) return 2 * modulus + apart
  return 2 * apart === modulus ? null : lowRow * modulus + Math.min(apart, modulus - apart)
}

function moved({ modulus, moving }: Frame, point: number, by: number): number {
  return point >= moving ? point : point - (point % modulus) + (((point % modulus) + by) % modulus)
}

/** The pair of round 0, moved on by the round, stands at the station of that number less its adder. */
function turned({ frame, starter }: Search): number[][] {
  const { modulus, teams } = frame
  return Array.from({ length: modulus }, (_, round) => {
    const stationOf = Array<number>(teams).fill(0)
    for (const { pair, adder } of starter)
      for (const point of pair) stationOf[moved(frame, point, round)] = (round - adder + modulus) % modulus
    return stationOf
  })
}
