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

const measured = () => new Promise(resolve => setTimeout(resolve, 20))
const off = () => Math.abs(serverTime() - (Date.now() + ahead))

test('the server’s time is measured once, and again when what is heard no longer fits it', async () => {
  ahead = 60_000
  keepServerTime(Date.now() + ahead)
  await measured()
  expect(asked).toHaveBeenCalledTimes(3)
  expect(off()).toBeLessThan(1_000)
  // What comes over a slow line is late, and no reason to ask.
  keepServerTime(Date.now() + ahead - 1_500)
  await measured()
  expect(asked).toHaveBeenCalledTimes(3)
  expect(off()).toBeLessThan(1_000)
  // The clock of the device was put right while it slept.
  ahead = 0
  keepServerTime(Date.now())
  await measured()
  expect(asked).toHaveBeenCalledTimes(6)
  expect(off()).toBeLessThan(1_000)
})
