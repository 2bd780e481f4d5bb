import fc from 'fast-check'
import { planRotation } from './rotation'

// A cyclic Latin square of each order: every team once at every station, every station once in every round. Textbook.
test.each([1, 2, 3, 4, 5, 6, 7])('%i teams and as many stations make a Latin square', order => {
  const { rounds } = planRotation(order, order)
  const all = [...Array(order).keys()]
  expect(rounds).toHaveLength(order)
  for (const round of rounds) expect(round.toSorted()).toEqual(all)
  for (const team of all) expect(rounds.map(round => round[team]).toSorted()).toEqual(all)
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

test('doubled on purpose, two and two go together and nobody waits', () => {
  const { rounds, roundsForAll } = planRotation(7, 4, { doubled: true })
  expect(roundsForAll).toBe(4)
  for (const round of rounds) {
    expect(round).not.toContain(null)
    expect([round[0], round[2], round[4]]).toEqual([round[1], round[3], round[5]])
    expect(new Set(round).size).toBe(4)
  }
})
