import { jest } from '@jest/globals'
import { serverNow } from './clock.server'

test('the time is that of the machine when the server started, and goes on evenly when the machine’s clock is set', async () => {
  expect(Math.abs(serverNow() - Date.now())).toBeLessThan(1_000)
  expect(Number.isInteger(serverNow())).toBe(true)
  const before = serverNow()
  const real = Date.now()
  const set = jest.spyOn(Date, 'now')
  for (const hours of [-1, 5]) {
    set.mockReturnValue(real + hours * 3_600_000)
    const now = serverNow()
    expect(now - before).toBeGreaterThanOrEqual(0)
    expect(now - before).toBeLessThan(60_000)
  }
  set.mockRestore()
})
