import { useEffect, useState } from 'react'
import type { Person } from './person'

export interface WholeList {
  people: Person[]
  /** Whether some of them are still on their way, or could not be had. */
  state: 'whole' | 'coming' | 'broken'
}

/** A long list: the page comes with its beginning, and the rest is fetched as soon as the page stands. */
export function useWholeList(cohortId: string, first: Person[], count: number): WholeList {
  const [rest, setRest] = useState<{ of: Person[]; people: Person[]; broken: boolean } | null>(null)
  const isLong = count > first.length
  useEffect(() => {
    if (!isLong) return
    const abort = new AbortController()
    fetchPeople(cohortId, first.length, abort.signal)
      .then(people => setRest({ of: first, people, broken: false }))
      .catch(() => {
        if (!abort.signal.aborted) setRest({ of: first, people: [], broken: true })
      })
    return () => abort.abort()
  }, [cohortId, first, isLong])
  if (!isLong) return { people: first, state: 'whole' }
  // While a list that was changed is fetched again, what was there before stays in sight.
  const fresh = rest?.of === first
  const people = rest ? [...first, ...rest.people] : first
  return { people, state: fresh ? (rest.broken ? 'broken' : 'whole') : 'coming' }
}

async function fetchPeople(cohortId: string, from: number, signal: AbortSignal): Promise<Person[]> {
  const response = await fetch(`/cohorts/${cohortId}/people?from=${from}`, { signal })
  if (!response.ok) throw new Error(`The list could not be had: ${response.status}`)
  const text = await response.text()
  return text
    .split('\n')
    .filter(Boolean)
    .map(line => JSON.parse(line) as Person)
}
