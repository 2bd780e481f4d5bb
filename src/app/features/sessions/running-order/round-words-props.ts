import type { PlanWorld } from '~/core/schedule/readiness'
import type { Segment } from '~/core/schedule/running-order'

export interface RoundWordsProps {
  segment: Segment
  /** Segments before it. */
  earlier: readonly Segment[]
  world: PlanWorld
  onChange: (change: Partial<Segment>) => void
}
