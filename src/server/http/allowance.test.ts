import { jest } from '@jest/globals'
import { Allowance, Allowances } from './allowance.server'

beforeEach(() => {
  jest.useFakeTimers()
})
afterEach(() => {
  jest.useRealTimers()
})

test('so much at once, then so much a second, and never more than at once; what is refused costs nothing', () => {
  const some = new Allowance(3, 1)
  expect([1, 1, 1, 1].map(amount => some.allows(amount))).toEqual([true, true, true, false])
  jest.advanceTimersByTime(1_000)
  expect([some.allows(2), some.allows(1), some.allows(1)]).toEqual([false, true, false])
  jest.advanceTimersByTime(3_600_000)
  expect([some.allows(4), some.allows(3), some.allows(1)]).toEqual([false, true, false])
})

test('one who asks for too much keeps nobody else from asking', () => {
  const each = new Allowances(2, 1)
  expect(['ana', 'ana', 'ana', 'bo'].map(key => each.allows(key))).toEqual([true, true, false, true])
})
