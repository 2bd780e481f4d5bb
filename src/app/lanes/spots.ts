import type { Mark } from '~/core/live/marks'
import { lengthOf, type TrackSpan } from './bars'

export interface Spot {
  mark: Mark
  /** So many of its kind stand here as one. */
  count: number
  /** From the left edge of the track, in percent of its width. */
  left: number
}

/**
 * Where marks stand on a track: at their time, or beside one another where they would hide each other, as long as there is room.
 * Marks of a kind that are closer than one is wide are one: a whole room that comes in is one mark. `width` is what a mark takes, in
 * percent of the track. Marks come in the order of their time, and spots go from left to right.
 */
export function spotsOf(marks: readonly Mark[], span: Pick<TrackSpan, 'from' | 'to'>, width: number): Spot[] {
  const spots: Spot[] = []
  const placeOf = (mark: Mark) => (100 * (mark.at - span.from)) / lengthOf(span)
  for (const mark of marks) {
    if (mark.at < span.from || mark.at > span.to) continue
    const known = spots.findLast(spot => spot.mark.kind === mark.kind)
    if (known && placeOf(mark) - placeOf(known.mark) < width) {
      known.count += 1
      known.mark = { ...known.mark, what: `${known.mark.what}, ${mark.what}` }
      continue
    }
    const before = spots.at(-1)
    spots.push({ mark, count: 1, left: Math.max(placeOf(mark), before ? before.left + width : 0) })
  }
  // Those that the others pushed over the right edge push back.
  let most = 100 - width
  for (const spot of spots.toReversed()) {
    spot.left = Math.max(0, Math.min(spot.left, most))
    most = spot.left - width
  }
  return spots
}
