import { useCallback, useEffect, useRef } from 'react'
import type { LiveView, Send } from '../live-view'

/**
 * The room one visits: also one that was asked for a moment ago and of which nothing has been told yet, so that a drawer
 * closed at once ends the visit all the same. Visits are asked for, and left, with this `send`.
 */
export function useVisiting(
  view: LiveView,
  accountId: string,
  send: Send,
): { visiting: () => string | null; send: Send } {
  const told = view.visits.find(visit => visit.accountId === accountId)?.roomId ?? null
  const last = useRef(told)
  useEffect(() => {
    last.current = told
  }, [told])
  const watched = useCallback<Send>(
    (command, ...rest) => {
      if (command.type === 'visit') last.current = command.roomId
      if (command.type === 'leave-room') last.current = null
      return send(command, ...rest)
    },
    [send],
  )
  return { visiting: useCallback(() => last.current, []), send: watched }
}
