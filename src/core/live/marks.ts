import { evolve } from './evolve'
import { ALL_TOPICS, type LiveState, type MarkKind, type Recorded, unopened } from './topics'

export type { MarkKind } from './topics'

/** Something that happened in a room's lane at a moment. `what` is the person or the words it is about. */
export interface Mark {
  at: number
  roomId: string
  kind: MarkKind
  what: string
}

/** The marks one event leaves on the lanes, given the state before it. */
export function marksOf(before: LiveState, { event, at }: Recorded): Mark[] {
  return ALL_TOPICS.flatMap(topic => topic.marks?.[event.type]?.(before, event) ?? []).map(mark => ({
    at,
    ...mark,
  }))
}

/** Every mark of a whole log, in order. O(events x rooms). */
export function allMarks(log: readonly Recorded[]): Mark[] {
  const marks: Mark[] = []
  let state = unopened
  for (const recorded of log) {
    marks.push(...marksOf(state, recorded))
    state = evolve(state, recorded)
  }
  return marks
}
