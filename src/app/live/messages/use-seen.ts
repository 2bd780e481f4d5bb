import { useCallback, useEffect, useMemo, useRef, useState } from 'react'

/** So long a message must stand in sight to count as seen, in milliseconds. */
const IN_SIGHT = 800

/** Hundreds of pages that were told at once do not all answer at once: each waits up to so much longer, in milliseconds. */
const SPREAD = 3_000

export interface SeenHere {
  has(messageId: string): boolean
  /** Follows an element of the page that shows a message; gives what ends that. */
  follow(messageId: string, element: Element): () => void
  /** Brings a message into sight. */
  show(messageId: string | undefined): void
}

/**
 * Which messages have stood in sight here, in an open window, long enough to be noticed; each is said once, several together in
 * one request.
 */
export function useSeen(onSeen: (messageIds: string[]) => Promise<boolean>): SeenHere {
  const [seen, setSeen] = useState<ReadonlySet<string>>(() => new Set())
  const inSight = useRef(new Map<string, Element>())
  const elements = useRef(new Map<string, Element>())
  const told = useRef(new Set<string>())
  const tell = useRef(onSeen)
  useEffect(() => {
    tell.current = onSeen
  })
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const wait = useCallback(() => {
    clearTimeout(timer.current)
    timer.current = setTimeout(
      async () => {
        if (document.visibilityState !== 'visible') return
        const ids = [...inSight.current.keys()].filter(id => !told.current.has(id))
        if (ids.length === 0) return
        setSeen(before => new Set([...before, ...ids]))
        for (const id of ids) told.current.add(id)
        // What could not be said is said with the next.
        if (!(await tell.current(ids))) for (const id of ids) told.current.delete(id)
      },
      IN_SIGHT + Math.random() * SPREAD,
    )
  }, [])
  const follow = useCallback(
    (messageId: string, element: Element) => {
      elements.current.set(messageId, element)
      const observer = new IntersectionObserver(
        ([entry]) => {
          // Of a message longer than the screen a good part is as much as can be in sight.
          if (entry?.isIntersecting) inSight.current.set(messageId, element)
          else inSight.current.delete(messageId)
          wait()
        },
        { threshold: 0.4 },
      )
      observer.observe(element)
      return () => {
        observer.disconnect()
        inSight.current.delete(messageId)
        elements.current.delete(messageId)
      }
    },
    [wait],
  )
  useEffect(() => {
    document.addEventListener('visibilitychange', wait)
    return () => {
      clearTimeout(timer.current)
      document.removeEventListener('visibilitychange', wait)
    }
  }, [wait])
  return useMemo(
    () => ({
      has: id => seen.has(id),
      follow,
      show: id => elements.current.get(id ?? '')?.scrollIntoView({ block: 'center' }),
    }),
    [seen, follow],
  )
}
