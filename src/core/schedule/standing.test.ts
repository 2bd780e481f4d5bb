import { type StandingOrder, standing } from './standing'

const MINUTE = 60_000
const START = Date.parse('2026-11-26T19:00:00Z')
const at = (minute: number) => START + minute * MINUTE
const one = (
  minutes: number,
  startedAt: number | null = null,
  endedAt: number | null = null,
  skipped = false,
) => ({
  minutes,
  startedAt: startedAt === null ? null : at(startedAt),
  endedAt: endedAt === null ? null : at(endedAt),
  skipped,
})
const order = (segments: StandingOrder['segments'], changes: Partial<StandingOrder> = {}): StandingOrder => ({
  segments,
  startsAt: START,
  minutesPlanned: 60,
  ...changes,
})
const stands = (all: StandingOrder, now: number, roundEndsAt: number | null = null, openedAt = 0) => {
  const { endsAt, over } = standing(all, at(openedAt), roundEndsAt === null ? null : at(roundEndsAt), at(now))
  return [(endsAt - START) / MINUTE, over]
}

test('on time while each segment takes what it was given', () => {
  expect(stands(order([one(20, 0), one(40)]), 5)).toEqual([60, 0])
})

test('people who come before the beginning do not make it late, and a segment that goes on does', () => {
  expect(stands(order([one(20, -10), one(40)]), -5, null, -10)).toEqual([60, 0])
  expect(stands(order([one(20, 0), one(40)]), 26)).toEqual([66, 6])
})

test('what ended early, or is skipped, brings the end nearer', () => {
  expect(stands(order([one(20, 0, 15), one(40, 15)]), 16)).toEqual([55, -5])
  expect(stands(order([one(20, 0), one(10, null, null, true), one(30)]), 5)).toEqual([50, -10])
})

test('a round that runs ends by its own clock', () => {
  expect(stands(order([one(10, 0, 10), one(12, 10), one(38)]), 15, 25)).toEqual([63, 3])
})

test('with nobody saying how long it may take, its segments do; opened on another day it counts from then', () => {
  expect(stands(order([one(20, 0), one(30)], { minutesPlanned: null }), 5)).toEqual([50, 0])
  expect(stands(order([one(20, 3000), one(40)]), 3001, null, 3000)).toEqual([3060, 0])
  expect(stands(order([], { startsAt: null, minutesPlanned: null }), 5)).toEqual([5, 0])
  expect(stands(order([one(12)], { startsAt: null, minutesPlanned: null }), 5)).toEqual([17, 0])
})
