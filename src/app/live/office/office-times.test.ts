import { momentOf } from './office-times'

test('a time of day is its next one: today, or tomorrow when it is over', () => {
  const noon = new Date(2027, 2, 27, 12, 0, 30).getTime()
  expect(momentOf('', '15:30', noon)).toBe(new Date(2027, 2, 27, 15, 30).getTime())
  // In the night after it clocks are set forward where that is done.
  expect(momentOf('', '09:05', noon)).toBe(new Date(2027, 2, 28, 9, 5).getTime())
  expect(momentOf('', '12:00', noon)).toBe(new Date(2027, 2, 28, 12, 0).getTime())
  expect([momentOf('', '', noon), momentOf('', '25:00', noon)]).toEqual([null, null])
})

test('on a day that is said it is that day’s, also one that is over', () => {
  const noon = new Date(2027, 2, 27, 12, 0, 30).getTime()
  expect(momentOf('2027-04-01', '09:05', noon)).toBe(new Date(2027, 3, 1, 9, 5).getTime())
  expect(momentOf('2027-03-27', '09:05', noon)).toBe(new Date(2027, 2, 27, 9, 5).getTime())
  expect(momentOf('2027-02-30', '09:05', noon)).toBeNull()
})
