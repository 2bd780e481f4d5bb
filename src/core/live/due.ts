import { ALL_TOPICS, type Command, type LiveState } from './topics'

const deadlines = (state: LiveState) => ALL_TOPICS.flatMap(topic => topic.due?.(state) ?? [])

/**
 * What the server has to do by itself at `now`: of each topic no command or one. Each command is decided on its own: calling back sets the
 * end of grace, which may itself be due when the server was away for long, so ask again after doing these.
 */
export function due(state: LiveState, now: number): Command[] {
  return ALL_TOPICS.flatMap(topic => {
    const overdue = (topic.due?.(state) ?? []).filter(deadline => deadline.at <= now)
    // Of several that are overdue together only the last is worth doing: a warning after the end helps nobody.
    return overdue.slice(-1).map(deadline => deadline.command)
  })
}

/** When something next falls due, in milliseconds since 1970; null when nothing will. */
export function nextDue(state: LiveState): number | null {
  const times = deadlines(state).map(deadline => deadline.at)
  return times.length > 0 ? Math.min(...times) : null
}
