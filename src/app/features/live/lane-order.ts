import type { FacilitatorView } from '~/core/live/views'

export type LaneOrder = 'rooms' | 'need'

/**
 * Rooms in the order of the plan, or by who needs the facilitator: help calls first, the longest waiting on top;
 * then rooms nobody has visited; then those whose visit is longest ago.
 */
export function orderedRooms(
  view: Pick<FacilitatorView, 'rooms' | 'help' | 'lastVisit'>,
  order: LaneOrder,
): FacilitatorView['rooms'] {
  if (order === 'rooms') return view.rooms
  const calledAt = (roomId: string) =>
    view.help.find(call => call.roomId === roomId)?.at ?? Number.POSITIVE_INFINITY
  return [...view.rooms].sort((one, other) => {
    const [first, second] = [calledAt(one.id), calledAt(other.id)]
    if (first !== second) return first - second
    return (view.lastVisit[one.id] ?? 0) - (view.lastVisit[other.id] ?? 0)
  })
}
