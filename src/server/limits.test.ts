import { jest } from '@jest/globals'
import { createLimits, FailureLimit, GrowingWait } from './limits.server'
import { newId, newJoinCode, newToken, tidyJoinCode, tokenHash } from './tokens.server'

test('failures are counted, and after so many the wait until they are forgotten is said', async () => {
  jest.useFakeTimers()
  try {
    const limit = new FailureLimit([{ most: 2, seconds: 60 }])
    expect([await limit.failed('ana'), await limit.failed('ana')]).toEqual([0, 0])
    expect(await limit.failed('ana')).toBeGreaterThan(50)
    expect(await limit.failed('bo')).toBe(0)
    await jest.advanceTimersByTimeAsync(61_000)
    expect(await limit.failed('ana')).toBe(0)
  } finally {
    jest.useRealTimers()
  }
})

describe('a growing wait', () => {
  const limit = () =>
    new GrowingWait([
      { free: 2, longest: 8 },
      { free: 4, longest: 3 },
    ])
  beforeEach(() => {
    jest.useFakeTimers()
  })
  afterEach(() => {
    jest.useRealTimers()
  })

  test('doubles with each try up to the longest, and is never a wall', () => {
    const wait = limit()
    const waits = Array.from({ length: 7 }, (_, index) => {
      expect(wait.begin('ana', `a${index}`)).toBe(0)
      const seconds = wait.begin('ana', `b${index}`)
      jest.advanceTimersByTime(seconds * 1000)
      return seconds
    })
    // Asking how long to wait is the second of the two free tries.
    expect(waits).toEqual([0, 2, 4, 8, 8, 8, 8])
  })

  test('who got in begins anew; what the network has done stays, but for what was right', () => {
    const wait = limit()
    for (const name of ['ana', 'ana', 'bo', 'chi']) expect(wait.begin(name, 'network')).toBe(0)
    wait.succeeded('ana', 'network')
    expect(wait.begin('ana', 'elsewhere')).toBe(0)
    expect([wait.begin('dai', 'network'), wait.begin('dai', 'network')]).toEqual([0, 0])
    expect(wait.begin('edda', 'network')).toBeGreaterThan(0)
  })
})

test('guessing join codes from many addresses is slowed down as well', async () => {
  const { joinCode } = createLimits()
  for (let tries = 0; tries < 1000; tries++) await joinCode.failed(`address ${tries}`, 'all')
  expect(await joinCode.failed('one more address', 'all')).toBeGreaterThan(0)
})

test('codes and tokens do not repeat, and codes have only signs that can be told apart', () => {
  const codes = Array.from({ length: 2000 }, newJoinCode)
  expect(new Set(codes).size).toBe(2000)
  // Letters and digits commonly taken for each other: 0 and O, 1 and I.
  expect(codes.join('')).not.toMatch(/[01IO]/)
  expect(new Set(Array.from({ length: 500 }, newId)).size).toBe(500)
  expect(newToken()).toHaveLength(43)
  expect(tokenHash('a')).not.toBe(tokenHash('b'))
})

test.each([
  ['k7qm2xrd', 'K7QM-2XRD'],
  [' K7QM 2XRD ', 'K7QM-2XRD'],
  ['k7qm–2xrd', 'K7QM-2XRD'],
  ['abc', 'ABC'],
])('a code typed as %j is %j', (typed, tidy) => {
  expect(tidyJoinCode(typed)).toBe(tidy)
})
