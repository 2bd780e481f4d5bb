import { standing } from '~/core/schedule/standing'
import { useServerNow } from '../../live-client/server-clock'
import type { LiveView } from '../live-view'

/** How the session stands against its plan, looked at anew every few seconds; null where nothing was planned. */
export function useStanding({ order, session, clock }: LiveView, pageMadeAt: number) {
  const now = useServerNow(pageMadeAt, 5_000)
  if (!order || session.openedAt === null) return null
  return standing(order, session.openedAt, clock?.endsAt ?? null, now)
}

/** The segment that runs now. */
export const currentIn = ({ order }: LiveView) =>
  order?.segments.findLast(({ startedAt, endedAt }) => startedAt !== null && endedAt === null)

/** The one that is next: it has not begun and is not skipped. */
export const nextIn = ({ order }: LiveView) =>
  order?.segments.find(({ startedAt, skipped }) => startedAt === null && !skipped)
