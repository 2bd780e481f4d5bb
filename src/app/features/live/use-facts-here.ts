import { useEffect, useRef, useState } from 'react'
import type { FactsHere } from '~/core/grouping/facts-here'

/** What is known of those who are here, ready to be looked things up in. */
export type KnownHere = Omit<FactsHere, 'history'> & { history: Map<string, FactsHere['history'][number][1]> }

/** What is newer is asked for after so many milliseconds: a class answers within seconds, and once is enough. */
const PAUSE = 1_500

/**
 * Fetched when groups are about to be made, and again when `stamp` changes; null until it has come, and where it can not be had.
 */
export function useFactsHere(sessionId: string, stamp: number): KnownHere | null {
  const [facts, setFacts] = useState<KnownHere | null>(null)
  const first = useRef(true)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the stamp says that there is something newer.
  useEffect(() => {
    const abort = new AbortController()
    const load = () =>
      fetch(`/sessions/${sessionId}/facts`, { signal: abort.signal })
        .then(answer => (answer.ok ? (answer.json() as Promise<FactsHere>) : Promise.reject(answer.status)))
        .then(({ history, ...rest }) => setFacts({ ...rest, history: new Map(history) }))
        // Without them groups are made at random, and nothing else is offered.
        .catch(() => {})
    const timer = setTimeout(load, first.current ? 0 : PAUSE)
    first.current = false
    return () => {
      clearTimeout(timer)
      abort.abort()
    }
  }, [sessionId, stamp])
  return facts
}
