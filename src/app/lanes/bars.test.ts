import { expect, test } from '@jest/globals'
import { PULSE_MS } from '~/core/review/pulse'
import { barsOf, WIDE } from './bars'

const MINUTE = 60_000
const span = { from: 0, to: 10 * MINUTE }

/** The boxes of a shape: from where to where, and how tall. */
const boxes = (shape: string, height: number) =>
  [...shape.matchAll(/M([\d.]+) [\d.]+V([\d.]+)H([\d.]+)V[\d.]+Z/g)].map(([, left, top, right]) => ({
    left: Number(left),
    right: Number(right),
    tall: height - Number(top),
  }))

test('nothing written is no shape, and each half minute is a box at its time', () => {
  expect(barsOf([], span, 50)).toBe('')
  const shown = boxes(
    barsOf(
      [
        { at: 0, edits: 1 },
        { at: 5 * MINUTE, edits: 1 },
      ],
      span,
      50,
    ),
    50,
  )
  expect(shown.map(({ left }) => left)).toEqual([0, WIDE / 2])
  // A twentieth of ten minutes, but for what is left free before the next.
  const [first] = shown
  expect(first?.right).toBeLessThan(WIDE / 20)
  expect(first?.right).toBeGreaterThan(WIDE / 25)
})

test('more work is taller, up to a good half of the track, and a single change can be seen', () => {
  const tall = (edits: number) => boxes(barsOf([{ at: 0, edits }], span, 50), 50)[0]?.tall ?? 0
  expect(tall(1)).toBeGreaterThan(4)
  expect(tall(20)).toBeGreaterThan(tall(1))
  expect(tall(60)).toBe(28)
  expect(tall(6_000)).toBe(tall(60))
})

test('what lies before or after the time that is shown is left out, and what reaches into it begins at its edge', () => {
  const pulse = [
    { at: -PULSE_MS, edits: 9 },
    { at: -PULSE_MS / 2, edits: 9 },
    { at: span.to - PULSE_MS / 2, edits: 9 },
    { at: span.to, edits: 9 },
  ]
  const shown = boxes(barsOf(pulse, span, 50), 50)
  expect(shown.map(({ left }) => left)).toEqual([0, WIDE - WIDE / 40])
  // Of half a half minute no more than half is shown: it does not run into the next.
  expect(shown[0]?.right).toBeLessThan(WIDE / 40)
  expect(shown.at(-1)?.right).toBe(WIDE)
})
