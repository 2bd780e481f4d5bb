import { randomStream } from '../random/random'
import { castOf } from './cast'
import { usualScript } from './script'

const list = Array.from({ length: 24 }, (_, place) => ({
  personId: `p${place}`,
  shownName: `Person ${place}`,
}))
const script = { ...usualScript(24), absent: 0, late: 0 }
const cast = (changes: Partial<typeof script>, people = list) =>
  castOf({ ...script, ...changes }, people, randomStream(7))

test('a third absent: of 24 on the list 16 come, each once', () => {
  const come = cast({ absent: 33 })
  expect(come).toHaveLength(16)
  expect(new Set(come.map(({ personId }) => personId)).size).toBe(16)
})

test('more than stand on the list come in by names that nobody on it has', () => {
  const come = cast({ people: 40 }, [...list.slice(1), { personId: 'p0', shownName: 'guest 1' }])
  const guests = come.filter(({ personId }) => personId === null).map(({ name }) => name)
  expect(come).toHaveLength(40)
  expect(guests).toHaveLength(16)
  expect(guests).not.toContain('Guest 1')
  expect(new Set(come.map(({ name }) => name.toLowerCase())).size).toBe(40)
})

test('of a longer list as many as are asked for', () => {
  expect(cast({ people: 5 })).toHaveLength(5)
})

test('the shares of the script are kept: who writes nothing, much, drops, asks, changes rooms', () => {
  const come = cast({ silent: 50, busy: 25, drop: 25, asks: 100, moves: 0 })
  const count = (fits: (temper: (typeof come)[number]['temper']) => boolean) =>
    come.filter(({ temper }) => fits(temper)).length
  expect(count(({ writes }) => writes === 'nothing')).toBe(12)
  expect(count(({ writes }) => writes === 'much')).toBe(6)
  expect(count(({ drops }) => drops)).toBe(6)
  expect(count(({ asks }) => asks)).toBe(24)
  expect(count(({ moves }) => moves)).toBe(0)
})

test('those in time are there within a minute and a half, late ones after, and all in the order they come', () => {
  const come = cast({ late: 50 })
  for (const { comesAfter, temper } of come) expect(comesAfter >= 90_000).toBe(temper.late)
  expect(come.map(({ comesAfter }) => comesAfter)).toEqual(
    come.map(({ comesAfter }) => comesAfter).sort((one, other) => one - other),
  )
})

test('nobody comes when all are absent, and the same seed plays the same', () => {
  expect(cast({ absent: 100 })).toEqual([])
  expect(cast({ late: 30 })).toEqual(cast({ late: 30 }))
})
