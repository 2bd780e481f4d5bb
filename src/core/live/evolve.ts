import { ALL_TOPICS, type LiveState, type Recorded, unopened } from './topics'

/** Folds one recorded event into the state. Total: an event that no longer fits leaves the rest as it is. */
export function evolve(state: LiveState, { seq, at, event }: Recorded): LiveState {
  const next = { ...state, seq }
  // Each topic is asked about the state before the event: what one changes is not yet seen by another.
  for (const topic of ALL_TOPICS) Object.assign(next, topic.evolve[event.type]?.(state, event, at))
  return next
}

/** The state a whole log leads to. O(events). */
export const fold = (log: readonly Recorded[]): LiveState => log.reduce(evolve, unopened)
