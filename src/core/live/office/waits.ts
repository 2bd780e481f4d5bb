import type { Office, OfficeTime, Pace } from './office-facts'
import { DUE_BEFORE_MS } from './office-facts'

/** What waits are worked out from: as many of the last lengths as tell how it goes today. */
export function paceOf({ minutes, seen, now, times }: Office): Pace {
  const lengths = seen.slice(-LAST).map(({ startedAt, endedAt }) => endedAt - startedAt)
  return {
    lengths: [minutes * 60_000, ...lengths],
    nowSince: now?.startedAt ?? null,
    taken: inOrder(times)
      .filter(({ takenBy }) => takenBy !== null)
      .map(({ at }) => at),
  }
}
const LAST = 12

/**
 * How long somebody with so many ahead of them will probably wait, in milliseconds from `now`: what is left of who is there, then a
 * mean length for each who is ahead, and for each who has taken a time that comes before their turn. What is left of who is there is the
 * mean of what was left of those who were there longer; of somebody longer there than all, half a mean length.
 */
export function expectedWait({ lengths, nowSince, taken }: Pace, ahead: number, now: number): number {
  const mean = meanOf(lengths)
  let at = now + (nowSince === null ? 0 : leftOf(lengths, now - nowSince, mean))
  const times = taken.filter(time => time >= now - mean)
  for (let turn = 0; ; turn++) {
    while (times[0] !== undefined && times[0] <= at + DUE_BEFORE_MS) {
      at = Math.max(at, times[0]) + mean
      times.shift()
    }
    if (turn === ahead) return at - now
    at += mean
  }
}

function leftOf(lengths: readonly number[], sofar: number, mean: number): number {
  const longer = lengths.filter(length => length > sofar)
  return longer.length > 0 ? meanOf(longer) - sofar : mean / 2
}

const meanOf = (lengths: readonly number[]) =>
  lengths.reduce((sum, length) => sum + length, 0) / (lengths.length || 1)

export const inOrder = (times: readonly OfficeTime[]): OfficeTime[] =>
  times.toSorted((one, other) => one.at - other.at)

/** Who is to come next: whoever has taken a time that has come, then the line. `now` in milliseconds since 1970. */
export function nextUp({ times, line }: Pick<Office, 'times' | 'line'>, now: number): string[] {
  const due = inOrder(times).flatMap(({ takenBy, at }) =>
    takenBy !== null && at - DUE_BEFORE_MS <= now ? [takenBy] : [],
  )
  return [...new Set([...due, ...line.map(({ participantId }) => participantId)])]
}
