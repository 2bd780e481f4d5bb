import { dateFields, longMoment, momentOf, shortMoment } from './session-time'

// Changes of the clocks in 2026 by the IANA time zone database: London on 29 March and 25 October.
test.each([
  ['2026-11-03', '19:00', 'Europe/London', '2026-11-03T19:00:00.000Z'],
  ['2026-06-03', '19:00', 'Europe/London', '2026-06-03T18:00:00.000Z'],
  ['2026-11-03', '19:00', 'Asia/Kolkata', '2026-11-03T13:30:00.000Z'],
  ['2026-03-29', '01:30', 'Europe/London', '2026-03-29T01:30:00.000Z'],
  ['2028-02-29', '08:00', 'UTC', '2028-02-29T08:00:00.000Z'],
])('%s %s in %s is %s', (date, time, zone, expected) => {
  expect(momentOf(date, time, zone)?.toISOString()).toBe(expected)
})

test.each([
  ['2026-02-30', '10:00'],
  ['2026-13-01', '10:00'],
  ['2026-02-03', '24:30'],
  ['2026-02-03', '10:75'],
])('%s %s is no moment', (date, time) => {
  expect(momentOf(date, time, 'UTC')).toBeNull()
})

test('a moment reads in the session’s own zone, and its fields give it back', () => {
  const at = Date.UTC(2026, 10, 3, 19)
  expect(longMoment(at, 'Europe/London')).toBe('Tuesday 3 November 2026, 19:00')
  expect(shortMoment(at, 'Asia/Kolkata')).toBe('Wed 4 Nov, 00:30')
  const { date, time } = dateFields(at, 'Asia/Kolkata')
  expect(momentOf(date, time, 'Asia/Kolkata')?.getTime()).toBe(at)
})
