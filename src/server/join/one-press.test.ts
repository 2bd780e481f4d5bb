import { jest } from '@jest/globals'
import { done, refused } from '../result'
import { onePress } from './one-press.server'

afterEach(() => {
  jest.useRealTimers()
})

/** Counts how often it was done. */
function counted(problem?: string) {
  const made = { times: 0 }
  const act = async () => {
    made.times += 1
    const mine = made.times
    await Promise.resolve()
    return problem === undefined ? done(mine) : refused(problem)
  }
  return { made, act }
}

test('what a browser presses twice, at once or soon after, is done once; what others press, or something else, is theirs', async () => {
  jest.useFakeTimers()
  const { act } = counted()
  const twice = await Promise.all([onePress('a', 'Ana', act), onePress('a', 'Ana', act)])
  expect(twice).toEqual([done(1), done(1)])
  expect(await onePress('a', 'Ana', act)).toEqual(done(1))
  expect(await onePress('b', 'Ana', act)).toEqual(done(2))
  expect(await onePress('a', 'Bo', act)).toEqual(done(3))
  jest.advanceTimersByTime(5_001)
  expect(await onePress('a', 'Ana', act)).toEqual(done(4))
})

test('without a door, and after what was refused or failed, each press is one of its own', async () => {
  const { act } = counted()
  expect([await onePress(null, 'Ana', act), await onePress(null, 'Ana', act)]).toEqual([done(1), done(2)])
  const taken = counted('name-taken')
  expect(await onePress('c', 'Ana', taken.act)).toEqual(refused('name-taken'))
  expect(await onePress('c', 'Ana', taken.act)).toEqual(refused('name-taken'))
  expect(taken.made.times).toBe(2)
  const fails = () => onePress('d', 'Ana', () => Promise.reject(new Error('gone')))
  await expect(fails()).rejects.toThrow('gone')
  expect(await onePress('d', 'Ana', act)).toEqual(done(3))
})
