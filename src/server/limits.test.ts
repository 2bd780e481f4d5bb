import { jest } from '@jest/globals'
import { createLimits, FailureLimit } from './limits.server'
import { newId, newJoinCode, newToken, tidyJoinCode, tokenHash } from './tokens.server'

test('after so many failures one has to wait, and the wait ends', async () => {
  jest.useFakeTimers()
  try {
    const limit = new FailureLimit([{ most: 2, seconds: 60 }])
    await limit.failed('ana')
    expect(await limit.secondsToWait('ana')).toBe(0)
    await limit.failed('ana')
    expect(await limit.secondsToWait('ana')).toBeGreaterThan(50)
    expect(await limit.failed('ana')).toBeGreaterThan(50)
    expect(await limit.secondsToWait('bo')).toBe(0)
    await jest.advanceTimersByTimeAsync(61_000)
    expect(await limit.secondsToWait('ana')).toBe(0)
  } finally {
    jest.useRealTimers()
  }
})

test('getting in forgets one’s own failures, not those of the network', async () => {
  const limit = new FailureLimit([
    { most: 2, seconds: 60 },
    { most: 2, seconds: 60 },
  ])
  await limit.failed('ana', 'network')
  await limit.failed('bo', 'network')
  await limit.succeeded('ana')
  expect(await limit.secondsToWait('ana', 'elsewhere')).toBe(0)
  expect(await limit.secondsToWait('ana', 'network')).toBeGreaterThan(0)
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
