import fc from 'fast-check'
import { atSpeed, FASTEST, type Pace, SLOWEST, timeAt } from './pace'

const pace: Pace = { real: 1_000, at: 500_000, speed: 10 }

test('ten times as fast, ten minutes take one; without a pace the session goes by the clock', () => {
  expect(timeAt(pace, 1_000)).toBe(500_000)
  expect(timeAt(pace, 61_000)).toBe(500_000 + 600_000)
  expect(timeAt(null, 61_000)).toBe(61_000)
})

test('a change of speed skips nothing, and a speed beyond the bounds is brought to them', () => {
  const slower = atSpeed(pace, 11_000, 2)
  expect(timeAt(slower, 11_000)).toBe(600_000)
  expect(timeAt(slower, 12_000)).toBe(602_000)
  expect(atSpeed(pace, 11_000, 500).speed).toBe(FASTEST)
  expect(atSpeed(pace, 11_000, 0).speed).toBe(SLOWEST)
})

test('however often the speed is changed, time is whole and never runs back', () => {
  const change = fc.record({
    after: fc.integer({ min: 0, max: 5_000 }),
    speed: fc.double({ min: 0.1, max: 50, noNaN: true }),
  })
  fc.assert(
    fc.property(fc.array(change), changes => {
      let [now, latest, running] = [pace.real, pace.at, pace]
      for (const { after, speed } of changes) {
        now += after
        const before = timeAt(running, now)
        running = atSpeed(running, now, speed)
        expect(timeAt(running, now)).toBe(before)
        expect(before).toBeGreaterThanOrEqual(latest)
        expect(Number.isInteger(before)).toBe(true)
        latest = before
      }
    }),
  )
})
