import fc from 'fast-check'
import { clockOffset } from './clock-offset'

test('offset and delay are those of RFC 5905, section 8', () => {
  // theta = ((T2 - T1) + (T3 - T4)) / 2 and delta = (T4 - T1) - (T3 - T2), with T2 = T3.
  fc.assert(
    fc.property(fc.integer(), fc.integer(), fc.nat(), (t1, t2, wait) => {
      const t4 = t1 + wait
      expect(clockOffset(t1, t2, t4)).toEqual({ offset: (t2 - t1 + (t2 - t4)) / 2, delay: wait })
    }),
  )
})

test('however long each way took, the offset is wrong by half of the delay at most', () => {
  fc.assert(
    fc.property(fc.integer({ min: -1e6, max: 1e6 }), fc.nat(5_000), fc.nat(5_000), (ahead, there, back) => {
      const asked = 1_000_000
      const { offset, delay } = clockOffset(asked, asked + there + ahead, asked + there + back)
      expect(Math.abs(offset - ahead)).toBeLessThanOrEqual(delay / 2)
    }),
  )
})
