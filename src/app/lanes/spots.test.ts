import { expect, test } from '@jest/globals'
import type { Mark } from '~/core/live/marks'
import { spotsOf } from './spots'

const span = { from: 1_000, to: 101_000 }
const WIDTH = 5
const mark = (seconds: number, kind: Mark['kind'], what = 'Ana'): Mark => ({
  at: span.from + seconds * 1_000,
  kind,
  what,
  roomId: 'one',
})
const places = (...marks: Mark[]) => spotsOf(marks, span, WIDTH).map(({ left }) => left)

test('marks stand at their time; what was before or after the span does not stand there', () => {
  expect(places()).toEqual([])
  expect(places(mark(20, 'help'), mark(70, 'signal'))).toEqual([20, 70])
  expect(places(mark(-1, 'help'), mark(0, 'signal'), mark(101, 'visit'))).toEqual([0])
})

test('marks of a kind that would hide each other are one, counted from the first of them', () => {
  const [one, later, ...others] = spotsOf(
    [
      mark(10, 'signal', 'Ana'),
      mark(12, 'signal', 'Bo'),
      mark(14.9, 'signal', 'Chi'),
      mark(15, 'signal', 'Di'),
    ],
    span,
    WIDTH,
  )
  expect(one).toMatchObject({ count: 3, left: 10, mark: { what: 'Ana, Bo, Chi' } })
  expect(later).toMatchObject({ count: 1, left: 15, mark: { what: 'Di' } })
  expect(others).toEqual([])
})

test('marks of several kinds at one time stand beside each other, at the right edge from there to the left', () => {
  expect(places(mark(40, 'help'), mark(40, 'signal'), mark(41, 'visit'))).toEqual([40, 45, 50])
  expect(places(mark(98, 'help'), mark(99, 'signal'), mark(100, 'visit'))).toEqual([85, 90, 95])
  expect(places(mark(100, 'help'))).toEqual([95])
})

test('where there are more than find room none stands outside of the track', () => {
  const kinds: Mark['kind'][] = ['help', 'signal', 'visit']
  const many = Array.from({ length: 60 }, (_, second) => mark(second, kinds[second % 3] as Mark['kind']))
  const all = spotsOf(many, span, 30)
  expect(all.reduce((sum, { count }) => sum + count, 0)).toBe(60)
  for (const { left } of all) {
    expect(left).toBeGreaterThanOrEqual(0)
    expect(left).toBeLessThanOrEqual(70)
  }
})
