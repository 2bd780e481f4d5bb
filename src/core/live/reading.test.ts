import { expect, test } from '@jest/globals'
import { Reading } from './reading'
import { unopened } from './topics'

const state = (part: object) => ({ ...unopened, ...part })

test('what was never read may change, what was read may not', () => {
  const reading = new Reading()
  const first = state({ seq: 1 })
  expect(reading.isSame(first, state({ rooms: [] }))).toBe(true)
  expect(reading.noted(first).rooms).toBe(first.rooms)
  expect(reading.isSame(first, state({ seq: 9, signals: {} }))).toBe(true)
  expect(reading.isSame(first, state({ seq: 1, rooms: [] }))).toBe(false)
  expect([reading.has('rooms'), reading.has('seq')]).toEqual([true, false])
})

test('each name is told of once, and a state is noted as one and the same object', () => {
  let told = 0
  const reading = new Reading(() => told++)
  const first = state({ seq: 1 })
  const noted = reading.noted(first)
  expect(reading.noted(first)).toBe(noted)
  void [noted.rooms, noted.rooms, reading.noted(state({ seq: 2 })).rooms, noted.phase]
  expect(told).toBe(2)
})
