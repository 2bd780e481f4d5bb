import { later, mergeFields, mergeLists } from '../merging/merge'
import type { Segment } from './running-order'

/** A running order, and how many minutes the session may take: null where nobody has said. */
export interface PlannedOrder {
  segments: Segment[]
  minutes: number | null
}

/** What two people planned at the same moment, from `base` on; `mine` is the later. */
export const mergeOrders = (base: PlannedOrder, mine: PlannedOrder, theirs: PlannedOrder): PlannedOrder => ({
  segments: mergeLists(base.segments, mine.segments, theirs.segments, mergeFields<Segment>),
  minutes: later(base.minutes, mine.minutes, theirs.minutes),
})
