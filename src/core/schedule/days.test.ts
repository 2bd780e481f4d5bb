import { isWithin } from './days'

test.each([
  ['2026-11-03', '', '', true],
  ['2026-11-03', '2026-11-03', '2026-11-03', true],
  ['2026-11-03', '2026-11-04', '', false],
  ['2026-11-03', '', '2026-11-02', false],
  ['2026-11-03', '2025-12-31', '2026-11-30', true],
  // The wrong way round there is no such day.
  ['2026-11-03', '2026-11-30', '2026-11-01', false],
])('%s from "%s" to "%s": %p', (day, from, to, within) => {
  expect(isWithin(day, from, to)).toBe(within)
})
