import { correction } from './correction'

const stands = (at: number, length: number | null = 60, jumpTook = 0) => ({ at, length, jumpTook })

test.each([
  ['in step: nothing', 10, 10.03, { seek: null, rate: 1, play: true }],
  ['a little behind: faster', 10, 10.2, { seek: null, rate: 1.06, play: true }],
  ['a little ahead: slower', 10.2, 10, { seek: null, rate: 0.94, play: true }],
  ['far behind, as who comes late: there at once', 0, 31, { seek: 31, rate: 1, play: true }],
  ['far ahead: back', 31, 0, { seek: 0, rate: 1, play: true }],
  ['beyond its end: at the end, and still', 10, 61, { seek: 60, rate: 1, play: false }],
])('while it plays, %s', (_, at, wanted, expected) => {
  expect(correction(stands(at), wanted, true)).toEqual(expected)
})

test('while it is stopped it stands where all stand', () => {
  expect(correction(stands(10), 10, false)).toEqual({ seek: null, rate: 1, play: false })
  expect(correction(stands(10), 12, false)).toEqual({ seek: 12, rate: 1, play: false })
  expect(correction(stands(10), 10.03, false)).toEqual({ seek: 10.03, rate: 1, play: false })
  expect(correction(stands(59.995), 61, false)).toEqual({ seek: null, rate: 1, play: false })
})

test('where jumps take a while it aims as much further, so that it arrives in step; never beyond the end', () => {
  expect(correction(stands(0, 60, 0.8), 31, true)).toEqual({ seek: 31.8, rate: 1, play: true })
  expect(correction(stands(0, 60, 0.8), 59.5, true)).toEqual({ seek: 60, rate: 1, play: true })
  expect(correction(stands(10, 60, 0.8), 12, false)).toEqual({ seek: 12, rate: 1, play: false })
})

test('before its length is known it goes where it should be', () => {
  expect(correction(stands(0, null), 400, true)).toEqual({ seek: 400, rate: 1, play: true })
})
