import { type RefObject, useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react'

/** So many cards one after the other come into sight together: the browser is asked about the first of them only. */
const RUN = 8
/** So many are not waited for: most lists are no longer. */
const AT_ONCE = 2 * RUN
/** So far from what is seen is near. A run of the longest cards is no longer than what lies between two such distances. */
const NEAR = '1000px'

/** Which cards of a list were ever near what is seen of the page, run by run. */
export class RunsInSight {
  private readonly seen = new Set<number>()
  private readonly listeners = new Set<() => void>()
  private readonly runs = new Map<Element, number>()
  private observer: IntersectionObserver | undefined

  has = (place: number): boolean => place < AT_ONCE || this.seen.has(runOf(place))

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Waits until the first card of a run comes near. Gives how to stop. */
  watch(element: Element, place: number): () => void {
    this.observer ??= new IntersectionObserver(entries => this.see(entries), { rootMargin: NEAR })
    this.runs.set(element, runOf(place))
    this.observer.observe(element)
    return () => this.forget(element)
  }

  private see(entries: readonly IntersectionObserverEntry[]): void {
    const before = this.seen.size
    for (const { target, isIntersecting } of entries) {
      const run = this.runs.get(target)
      if (!isIntersecting || run === undefined) continue
      this.seen.add(run)
      // Who comes from below sees the end of the run before.
      if (run > 0) this.seen.add(run - 1)
      this.forget(target)
    }
    if (this.seen.size > before) for (const listener of this.listeners) listener()
  }

  private forget(element: Element): void {
    this.runs.delete(element)
    this.observer?.unobserve(element)
  }
}

const runOf = (place: number) => Math.floor(place / RUN)

/** Whether a card that stands there in its list was ever near what is seen; it stays so wherever it goes. */
export function useWasSeen(runs: RunsInSight, place: number, element: RefObject<Element | null>): boolean {
  const was = useRef(false)
  const get = useCallback(() => {
    was.current ||= runs.has(place)
    return was.current
  }, [runs, place])
  const isFirst = place % RUN === 0 && place >= AT_ONCE
  useEffect(() => {
    if (isFirst && element.current) return runs.watch(element.current, place)
  }, [isFirst, runs, place, element])
  return useSyncExternalStore(runs.subscribe, get, () => false)
}

/** So many more cards far down say what they say, each time so much later, in milliseconds: what is seen comes first. */
const SPELLED_AT_A_TIME = 200
const SPELLED_EVERY_MS = 1_000

/** How many cards of a list, counted from the first, are to say what they say wherever they stand. */
export function useSpelledOut(count: number): number {
  const [spelled, setSpelled] = useState(0)
  useEffect(() => {
    if (spelled >= count) return
    const timer = setTimeout(() => setSpelled(spelled + SPELLED_AT_A_TIME), SPELLED_EVERY_MS)
    return () => clearTimeout(timer)
  }, [spelled, count])
  return spelled
}
