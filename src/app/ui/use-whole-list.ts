import { useEffect, useState } from 'react'

export interface WholeList<Item> {
  items: Item[]
  /** Whether some of them are still on their way, or could not be had. */
  state: 'whole' | 'coming' | 'broken'
}

/**
 * A long list: the page comes with its beginning, and the rest is fetched as soon as the page stands, one JSON text a line.
 * `address` gives what comes from the place `from` on.
 */
export function useWholeList<Item>(address: string, first: Item[], count: number): WholeList<Item> {
  const [rest, setRest] = useState<{ of: Item[]; items: Item[]; broken: boolean } | null>(null)
  const isLong = count > first.length
  useEffect(() => {
    if (!isLong) return
    const abort = new AbortController()
    fetchFrom<Item>(address, first.length, abort.signal)
      .then(items => setRest({ of: first, items, broken: false }))
      .catch(() => {
        if (!abort.signal.aborted) setRest({ of: first, items: [], broken: true })
      })
    return () => abort.abort()
  }, [address, first, isLong])
  if (!isLong) return { items: first, state: 'whole' }
  // While a list that was changed is fetched again, what was there before stays in sight.
  const fresh = rest?.of === first
  const items = rest ? [...first, ...rest.items] : first
  return { items, state: fresh ? (rest.broken ? 'broken' : 'whole') : 'coming' }
}

async function fetchFrom<Item>(address: string, from: number, signal: AbortSignal): Promise<Item[]> {
  const response = await fetch(`${address}?from=${from}`, { signal })
  if (!response.ok) throw new Error(`The list could not be had: ${response.status}`)
  const text = await response.text()
  return text
    .split('\n')
    .filter(Boolean)
    .map(line => JSON.parse(line) as Item)
}
