import type { RoomNeed } from '~/core/live/needs/needs'
import type { FacilitatorView } from '~/core/live/views'

export type LaneOrder = 'rooms' | 'need'

/**
 * The ids of rooms in the order of the plan, or by who needs a facilitator next; rooms with nobody in them stand after those,
 * as in the plan.
 */
export function orderedRooms(
  { rooms }: Pick<FacilitatorView, 'rooms'>,
  needs: readonly RoomNeed[],
  order: LaneOrder,
): string[] {
  const ids = rooms.map(({ id }) => id)
  if (order === 'rooms') return ids
  const known = new Set(needs.map(({ roomId }) => roomId))
  return [...needs.map(({ roomId }) => roomId), ...ids.filter(id => !known.has(id))]
}

/** How much of a lane is drawn: with many rooms less of each, so that more are in sight. */
export type LaneSize = 'full' | 'dense' | 'folded'

/** From so many rooms on lanes are dense: twelve of them stand on a screen of 800 pixels. */
export const DENSE_FROM = 7
/** From so many rooms on those that need nobody are one line. */
export const FOLDED_FROM = 17

/** On a phone, one above the other, lanes fold as soon as they would be dense. */
export function laneSize(
  rooms: number,
  {
    needsSomebody,
    inRound,
    onPhone = false,
  }: { needsSomebody: boolean; inRound: boolean; onPhone?: boolean },
): LaneSize {
  if (rooms < DENSE_FROM) return 'full'
  return inRound && !needsSomebody && (onPhone || rooms >= FOLDED_FROM) ? 'folded' : 'dense'
}

/**
 * When all of a lane is drawn: of very many those near what is seen, and until that is known the first. On a phone always: there
 * what is in a lane decides how high it is.
 */
export type Whole = 'always' | 'at first' | 'near'

/** No window holds more lanes than so many. */
const AT_FIRST = 24

/** For the lane that stands at a place, counted from 0, among so many rooms. */
export function whenWhole(rooms: number, place: number, onPhone: boolean): Whole {
  if (onPhone || rooms < FOLDED_FROM) return 'always'
  return place < AT_FIRST ? 'at first' : 'near'
}
