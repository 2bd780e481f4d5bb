/** How a running session stands against its plan. Times are milliseconds since 1970. */

const MINUTE = 60_000
/** Opened further from its time than this, a session is taken to be held at another time. */
const SAME_OCCASION = 60 * MINUTE

export interface StandingOrder {
  segments: readonly { minutes: number; startedAt: number | null; endedAt: number | null; skipped: boolean }[]
  startsAt: number | null
  minutesPlanned: number | null
}

export interface Standing {
  /** When it will end as things are: what is to come takes as long as planned, what runs no less than it has. */
  endsAt: number
  /** When it was to end. */
  planned: number
  /** Whole minutes it will end too late; below zero, too early. */
  over: number
}

/**
 * `roundEndsAt` is when the round that runs will be called back, by its own clock. What was planned to end is kept as it was when
 * the session was opened: `minutesPlanned`, or else the sum of the segments as they are.
 */
export function standing(
  order: StandingOrder,
  openedAt: number,
  roundEndsAt: number | null,
  now: number,
): Standing {
  const isThen = order.startsAt !== null && Math.abs(order.startsAt - openedAt) < SAME_OCCASION
  // Held at another time than was planned, it begins with its first segment.
  const begins =
    (isThen ? order.startsAt : order.segments.find(({ startedAt }) => startedAt)?.startedAt) ?? now
  const ahead = order.segments.filter(({ startedAt, skipped }) => startedAt === null && !skipped)
  const current = order.segments.findLast(({ startedAt, endedAt }) => startedAt !== null && endedAt === null)
  const untilThen = current
    ? Math.max(now, roundEndsAt ?? Math.max(current.startedAt ?? now, begins) + current.minutes * MINUTE)
    : Math.max(now, begins)
  const endsAt = untilThen + sum(ahead) * MINUTE
  const planned = begins + (order.minutesPlanned ?? sum(order.segments)) * MINUTE
  return { endsAt, planned, over: Math.round((endsAt - planned) / MINUTE) }
}

const sum = (segments: readonly { minutes: number }[]) =>
  segments.reduce((all, { minutes }) => all + minutes, 0)
