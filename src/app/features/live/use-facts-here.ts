import { useEffect, useRef, useState } from 'react'
import type { FactsHere } from '~/core/grouping/facts-here'

/** What is known of those who are here, ready to be looked things up in. */
export type KnownHere = Omit<FactsHere, 'history'> & { history: Map<string, FactsHere['history'][number][1]> }

const NOTHING_KNOWN: KnownHere = {
  people: [],
  rules: [],
  columns: [],
  history: new Map(),
  asked: [],
  saved: [],
}

/** What is newer is asked for after so many milliseconds: a class answers within seconds, and once is enough. */
const PAUSE = 1_500

/**
 * Fetched when groups are about to be made, and again when `stamp` changes; null until it has come. Where it can not be had, nothing is
 * known, and groups are made at random.
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
        .catch(() => {
          if (!abort.signal.aborted) setFacts(before => before ?? NOTHING_KNOWN)
        })
    const timer = setTimeout(load, first.current ? 0 : PAUSE)
    first.current = false
    return () => {
      clearTimeout(timer)
      abort.abort()
    }
  }, [sessionId, stamp])
  return facts
}
