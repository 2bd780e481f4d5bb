import fc from 'fast-check'
import { howellRounds } from './howell'
import { planRotation } from './rotation'

/** Every team once at every station, every station once in every round. */
const isLatinSquare = (rounds: readonly (number | null)[][]): boolean =>
  rounds.every(
    (round, number) =>
      new Set(round).size === rounds.length &&
      new Set(rounds.map(other => other[number])).size === rounds.length &&
      round.every(station => station !== null && station >= 0 && station < rounds.length),
  )

function* permutations(of: readonly number[]): Generator<number[]> {
  if (of.length === 0) yield []
  for (const first of of)
    for (const rest of permutations(of.filter(each => each !== first))) yield [first, ...rest]
}

/** All ways to go round, round by round, every one of which is a permutation of the stations. */
function* waysRound(
  order: number,
  everyRound = [...permutations([...Array(order).keys()])],
  before: number[][] = [],
): Generator<number[][]> {
  if (before.length === order) {
    yield before
    return
  }
  const last = before.at(-1)
  const possible = last
    ? everyRound.filter(round => round.every((at, team) => at !== last[team]))
    : everyRound
  for (const round of possible) yield* waysRound(order, possible, [...before, round])
}

test.each([1, 2, 3, 4, 5, 6, 7])('%i teams and as many stations make a Latin square', order => {
  const { rounds } = planRotation(order, order)
  expect(rounds).toHaveLength(order)
  expect(isLatinSquare(rounds)).toBe(true)
})

// Latin squares of order 1 to 5: 1, 2, 12, 576, 161,280 (McKay, Meynert and Myrvold, 2007; from memory). Of these, other
// names for teams and stations and another order of rounds make n!^3 / (n^2 automorphisms of the cyclic group) out of the
// program's: all of them up to 3 (textbook group theory).
test.each([
  [1, 1, 1],
  [2, 2, 2],
  [3, 12, 12],
  [4, 576, 432],
])(
  '%i teams at as many stations: %i ways round, %i of them the program’s under other names',
  (order, all, own) => {
    const known = new Set([...waysRound(order)].map(rounds => rounds.join(';')))
    expect(known.size).toBe(all)
    const { rounds } = planRotation(order, order)
    const names = [...permutations([...Array(order).keys()])]
    const renamed = new Set<string>()
    for (const teams of names)
      for (const stations of names)
        for (const turns of names)
          renamed.add(turns.map(turn => teams.map(team => stations[rounds[turn]?.[team] ?? -1])).join(';'))
    expect(renamed.size).toBe(own)
    expect([...renamed].every(square => known.has(square))).toBe(true)
  },
)

test('5 teams at 5 stations: 161,280 ways round, the program’s among them', () => {
  const own = planRotation(5, 5).rounds.join(';')
  let [count, met] = [0, 0]
  for (const rounds of waysRound(5)) {
    count++
    if (rounds.join(';') === own) met++
  }
  expect([count, met]).toEqual([161_280, 1])
})

test('whatever the numbers: nobody meets, nobody is anywhere twice, everybody is everywhere once, and waiting is shared', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 14 }),
      fc.integer({ min: 1, max: 14 }),
      fc.integer({ min: 1, max: 20 }),
      (teams, stations, asked) => {
        const whole = planRotation(teams, stations)
        expect(whole.rounds).toHaveLength(Math.max(teams, stations))
        const part = planRotation(teams, stations, { rounds: asked }).rounds
        for (const round of whole.rounds) {
          const busy = round.filter(station => station !== null)
          expect(new Set(busy).size).toBe(busy.length)
          expect(busy).toHaveLength(Math.min(teams, stations))
        }
        for (let team = 0; team < teams; team++) {
          const visited = whole.rounds.flatMap(round => round[team] ?? [])
          expect(visited.toSorted((a, b) => a - b)).toEqual([...Array(stations).keys()])
        }
        const waits = Array.from(
          { length: teams },
          (_, team) => part.filter(round => round[team] === null).length,
        )
        expect(Math.max(...waits) - Math.min(...waits)).toBeLessThanOrEqual(1)
      },
    ),
  )
})

test('doubled with the same, two and two go together and nobody waits', () => {
  const { rounds, roundsForAll } = planRotation(7, 4, { doubled: 'same' })
  expect(roundsForAll).toBe(4)
  for (const round of rounds) {
    expect(round).not.toContain(null)
    expect([round[0], round[2], round[4]]).toEqual([round[1], round[3], round[5]])
    expect(new Set(round).size).toBe(4)
  }
})

/** Every team everywhere once, at most two at a station, and no two together twice. */
function expectHowell(rounds: readonly (number | null)[][], stations: number, teams: number) {
  const together = new Set<string>()
  for (const round of rounds) {
    for (let station = 0; station < stations; station++) {
      const there = [...Array(teams).keys()].filter(team => round[team] === station)
      expect(there.length).toBeLessThanOrEqual(2)
      if (there.length < 2) continue
      expect(together.has(there.join(' '))).toBe(false)
      together.add(there.join(' '))
    }
  }
  for (let team = 0; team < teams; team++) {
    const visited = rounds.flatMap(round => round[team] ?? [])
    expect(visited.toSorted((a, b) => a - b)).toEqual([...Array(stations).keys()])
  }
}

/** Whether two teams can be at every station with another one each time, by going through all ways after the first round. */
function canChange(stations: number, teams: number): boolean {
  const stationOf = Array.from({ length: stations }, () => Array<number>(teams).fill(-1))
  const met = new Set<number>()
  // The first round is this one under some names of teams and stations.
  for (let team = 0; team < teams; team++) (stationOf[0] as number[])[team] = Math.floor(team / 2)
  for (let team = 0; team < teams; team += 2) met.add(team * teams + team + 1)
  const place = (round: number, from: number): boolean => {
    if (round === stations) return true
    const at = stationOf[round] as number[]
    const a = at.indexOf(-1, from)
    if (a === -1) return place(round + 1, 0)
    for (let b = a + 1; b < teams; b++) {
      if (at[b] !== -1 || met.has(a * teams + b)) continue
      for (let station = 0; station < stations; station++) {
        const taken = at.includes(station)
        const been = stationOf.some(earlier => earlier[a] === station || earlier[b] === station)
        if (taken || been) continue
        at[a] = at[b] = station
        met.add(a * teams + b)
        if (place(round, a)) return true
        met.delete(a * teams + b)
        at[a] = at[b] = -1
      }
    }
    return false
  }
  return place(1, 0)
}

// Howell designs H(s, 2n): H(3, 6) and H(4, 8) exist, H(2, 4) does not; nor do H(3, 4), H(5, 6) and H(5, 8), and all others
// do (Stinson, 1981; Anderson, Schellenberg and Stinson, 1984; from memory).
test.each([
  [2, 4, false],
  [3, 4, false],
  [3, 6, true],
  [4, 6, true],
  [4, 8, true],
  [5, 6, false],
  [5, 8, false],
])(
  '%i stations, %i teams, another team each time: %p, by all ways and by the program',
  (stations, teams, exists) => {
    expect(canChange(stations, teams)).toBe(exists)
    expect(howellRounds(stations, teams) !== null).toBe(exists)
    expect(planRotation(teams, stations, { doubled: 'changing' }).doubled).toBe(exists ? 'changing' : 'same')
  },
)

test('another team each time, wherever it says so, for up to 24 teams', () => {
  let changing = 0
  for (let teams = 3; teams <= 24; teams++) {
    for (let stations = 1; stations < teams + 2; stations++) {
      const plan = planRotation(teams, stations, { doubled: 'changing' })
      if (plan.doubled !== 'changing') continue
      changing++
      expectHowell(plan.rounds, stations, teams)
      const moving = Math.ceil(teams / 2)
      expect(plan.rounds).toHaveLength(Math.max(moving, stations))
      if (stations >= moving) expect(plan.rounds.flat()).not.toContain(null)
    }
  }
  expect(changing).toBeGreaterThan(200)
})

test('two to a station, as many teams as there are places: another team each time from three stations on', () => {
  for (let stations = 3; stations <= 15; stations++)
    expect(planRotation(2 * stations, stations, { doubled: 'changing' }).doubled).toBe('changing')
})
