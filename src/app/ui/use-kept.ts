import { useCallback, useEffect, useState } from 'react'

/** What a page keeps for itself; a browser may refuse (private windows, full disk), and then it is kept nowhere. */
function kept(storage: 'sessionStorage' | 'localStorage') {
  return {
    read(key: string): string | null {
      try {
        return window[storage].getItem(key)
      } catch {
        return null
      }
    },
    write(key: string, value: string | null): void {
      try {
        if (value === null) window[storage].removeItem(key)
        else window[storage].setItem(key, value)
      } catch {
        // Kept in the page alone.
      }
    },
  }
}

/**
 * Text that survives a reload of this tab: what is half typed, what is open; or, kept in `localStorage`, that this browser
 * remembers. Empty text is kept as nothing. The first rendering is as on the server; what was kept comes in right after it.
 */
export function useKeptText(
  key: string,
  first = '',
  storage: 'sessionStorage' | 'localStorage' = 'sessionStorage',
): [string, (text: string) => void] {
  const [text, setText] = useState(first)
  useEffect(() => {
    const before = kept(storage).read(key)
    if (before !== null) setText(before)
  }, [key, storage])
  const keep = useCallback(
    (next: string) => {
      setText(next)
      kept(storage).write(key, next === first ? null : next)
    },
    [key, first, storage],
  )
  return [text, keep]
}

/** Tells all who use a switch that it was set, by its key. */
const wasSet = new EventTarget()

/** A switch this browser remembers; it is the same wherever on a page it is used. */
export function useSwitch(key: string, first: boolean): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(first)
  useEffect(() => {
    const before = kept('localStorage').read(key)
    if (before !== null) setOn(before === 'on')
    const hear = (event: Event) => setOn((event as CustomEvent<boolean>).detail)
    wasSet.addEventListener(key, hear)
    return () => wasSet.removeEventListener(key, hear)
  }, [key])
  const set = useCallback(
    (next: boolean) => {
      kept('localStorage').write(key, next ? 'on' : 'off')
      wasSet.dispatchEvent(new CustomEvent(key, { detail: next }))
    },
    [key],
  )
  return [on, set]
}
