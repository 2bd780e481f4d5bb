import { useEffect, useState } from 'react'
import type { FactsHere } from '~/core/grouping/facts-here'

/** What is known of those who are here, ready to be looked things up in. */
export type KnownHere = Omit<FactsHere, 'history'> & { history: Map<string, FactsHere['history'][number][1]> }

/** Fetched when groups are about to be made; null until it has come, and where it can not be had. */
export function useFactsHere(sessionId: string): KnownHere | null {
  const [facts, setFacts] = useState<KnownHere | null>(null)
  useEffect(() => {
    const abort = new AbortController()
    fetch(`/sessions/${sessionId}/facts`, { signal: abort.signal })
      .then(answer => (answer.ok ? (answer.json() as Promise<FactsHere>) : Promise.reject(answer.status)))
      .then(({ history, ...rest }) => setFacts({ ...rest, history: new Map(history) }))
      // Without them groups are made at random, and nothing else is offered.
      .catch(() => {})
    return () => abort.abort()
  }, [sessionId])
  return facts
}
