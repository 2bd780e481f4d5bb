import type { ClockCommand } from './commands'
import type { LiveState } from './state'

/** Warnings before the end of a round, in seconds, longest first: common practice, five minutes and one minute. */
export const WARNINGS = [300, 60]

/** A warning makes sense only when the round was clearly longer than it. */
const longEnough = (roundSeconds: number, warning: number) => roundSeconds >= warning * 1.5

interface Deadline {
  at: number
  command: ClockCommand
}

/**
 * What the server has to do by itself at `now`: no command or one. Each command is decided on its own: calling back sets the
 * end of grace, which may itself be due when the server was away for long, so ask again after doing these.
 */
export function due(state: LiveState, now: number): ClockCommand[] {
  const overdue = deadlines(state).filter(deadline => deadline.at <= now)
  // Of several that are overdue together only the last is worth doing: a warning after the end helps nobody.
  return overdue.slice(-1).map(deadline => deadline.command)
}

/** When something next falls due, in milliseconds since 1970; null when nothing will. */
export function nextDue(state: LiveState): number | null {
  const times = deadlines(state).map(deadline => deadline.at)
  return times.length > 0 ? Math.min(...times) : null
}

function deadlines(state: LiveState): Deadline[] {
  const { round } = state
  if (!round || state.phase !== 'open') return []
  if (round.graceEndsAt !== null) return [{ at: round.graceEndsAt, command: { type: 'finish-grace' } }]
  const roundSeconds = (round.endsAt - round.startedAt) / 1000
  const given = Math.min(...round.warned, Number.POSITIVE_INFINITY)
  const warnings = WARNINGS.filter(warning => warning < given && longEnough(roundSeconds, warning)).map(
    (warning): Deadline => ({
      at: round.endsAt - warning * 1000,
      command: { type: 'warn', secondsLeft: warning },
    }),
  )
  return [...warnings, { at: round.endsAt, command: { type: 'call-back' } }]
}
