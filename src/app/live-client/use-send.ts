import { useCallback, useState } from 'react'
import type { Send } from '../live/live-view'
import { ask } from './ask'

/** How a facilitator's page sends commands, and what the last one was refused with. */
export function useSend(sessionId: string): { send: Send; problem: string | null } {
  const [problem, setProblem] = useState<string | null>(null)
  const send: Send = useCallback(
    async (request, onRefused) => {
      const answer = await ask(`/sessions/${sessionId}/commands`, request)
      if (!answer.ok && onRefused) onRefused(answer.message)
      else setProblem(answer.ok ? null : answer.message)
      return answer.ok
    },
    [sessionId],
  )
  return { send, problem }
}
