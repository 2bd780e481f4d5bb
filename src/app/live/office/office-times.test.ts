import { nextMomentOf } from './office-times'

test('a time of day is its next one: today, or tomorrow when it is over', () => {
  const noon = new Date(2027, 2, 27, 12, 0, 30).getTime()
  expect(nextMomentOf('15:30', noon)).toBe(new Date(2027, 2, 27, 15, 30).getTime())
  // In the night after it clocks are set forward where that is done.
  expect(nextMomentOf('09:05', noon)).toBe(new Date(2027, 2, 28, 9, 5).getTime())
  expect(nextMomentOf('12:00', noon)).toBe(new Date(2027, 2, 28, 12, 0).getTime())
  expect([nextMomentOf('', noon), nextMomentOf('9:5', noon)]).toEqual([null, null])
})
