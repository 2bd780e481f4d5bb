import { useEffect, useState } from 'react'
import type { PutUpNow } from '~/contracts/put-up'

/** It is read anew after so long, in milliseconds; an answer that took long is waited for ten times as long. */
const AGAIN_MS = 2_000

/** Work of rooms at an address as it was last read; `what` tells it from what was asked for before, which is gone at once. */
export function useReadAgain(address: string, what: string): PutUpNow {
  const [read, setRead] = useState<{ what: string; now: PutUpNow }>()
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    let gone = false
    const look = async () => {
      const began = performance.now()
      try {
        const answer = document.hidden ? null : await fetch(address)
        const now = answer?.ok ? ((await answer.json()) as PutUpNow) : null
        if (now && !gone) setRead({ what, now })
      } catch {
        // Without a line what was read last stays.
      }
      if (!gone) timer = setTimeout(run, Math.max(AGAIN_MS, 10 * (performance.now() - began)))
    }
    const run = () => void look()
    run()
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [address, what])
  return read?.what === what ? read.now : null
}
