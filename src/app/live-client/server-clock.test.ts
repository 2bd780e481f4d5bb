import { jest } from '@jest/globals'
import { keepServerTime, serverTime } from './server-clock'

/** How far the server's clock is ahead of this one, in milliseconds. */
let ahead = 0
const asked = jest.fn(async () => Response.json({ now: Date.now() + ahead }))
const before = globalThis.fetch
beforeAll(() => {
  globalThis.fetch = asked as typeof fetch
})
afterAll(() => {
  globalThis.fetch = before
})

/** Once the server has been asked so often, and the last answer was taken. */
async function measured(times: number): Promise<void> {
  while (asked.mock.calls.length < times) await new Promise(setImmediate)
  await Promise.all(asked.mock.results.map(each => each.value))
  await new Promise(setImmediate)
}
const off = () => Math.abs(serverTime() - (Date.now() + ahead))

test('the server’s time is measured once, and again when what is heard no longer fits it', async () => {
  ahead = 60_000
  keepServerTime(Date.now() + ahead)
  await measured(3)
  expect(asked).toHaveBeenCalledTimes(3)
  expect(off()).toBeLessThan(1_000)
  // What comes over a slow line is late, and no reason to ask.
  keepServerTime(Date.now() + ahead - 1_500)
  expect(asked).toHaveBeenCalledTimes(3)
  expect(off()).toBeLessThan(1_000)
  // The clock of the device was put right while it slept.
  ahead = 0
  keepServerTime(Date.now())
  await measured(6)
  expect(asked).toHaveBeenCalledTimes(6)
  expect(off()).toBeLessThan(1_000)
})
