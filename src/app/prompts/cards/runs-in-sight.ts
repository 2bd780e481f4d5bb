import { type RefObject, useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react'

/** So many cards one after the other come into sight together: the browser is asked about the first of them only. */
const RUN = 8
/** So many are not waited for: most lists are no longer. */
const AT_ONCE = 2 * RUN
/** So far from what is seen is near. A run of the longest cards is no longer than what lies between two such distances. */
const NEAR = '1000px'

/** So many more cards far down say what they say, each time so much later, in milliseconds: what is seen comes first. */
const SPELLED_AT_A_TIME = 40
const SPELLED_FIRST_MS = 1_000
const SPELLED_EVERY_MS = 200

/** How much of a card stands there: all of it, what it says, or its frame alone. */
export type Drawn = 'whole' | 'words' | 'frame'

/** Which cards of a list were ever near what is seen of the page, run by run; the others say what they say a moment later. */
export class RunsInSight {
  private readonly seen = new Set<number>()
  private readonly listeners = new Set<() => void>()
  private readonly runs = new Map<Element, number>()
  private observer: IntersectionObserver | undefined
  private spelled = 0
  private toSpell = 0
  private spelling: ReturnType<typeof setTimeout> | undefined

  drawn(place: number): Drawn {
    if (place < AT_ONCE || this.seen.has(runOf(place))) return 'whole'
    return place < this.spelled ? 'words' : 'frame'
  }

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

  /** Bit by bit, all of so many cards are to say what they say. */
  spellOut(count: number): void {
    this.toSpell = count
    if (this.spelled >= count) return
    this.spelling ??= setTimeout(
      () => this.spellMore(),
      this.spelled === 0 ? SPELLED_FIRST_MS : SPELLED_EVERY_MS,
    )
  }

  stop = (): void => {
    clearTimeout(this.spelling)
    this.spelling = undefined
  }

  private spellMore(): void {
    this.spelled += SPELLED_AT_A_TIME
    this.tell()
    this.spelling = undefined
    this.spellOut(this.toSpell)
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
    if (this.seen.size > before) this.tell()
  }

  private tell(): void {
    for (const listener of this.listeners) listener()
  }

  private forget(element: Element): void {
    this.runs.delete(element)
    this.observer?.unobserve(element)
  }
}

const runOf = (place: number) => Math.floor(place / RUN)

/** Of a list of so many cards. */
export function useRunsInSight(count: number): RunsInSight {
  const [runs] = useState(() => new RunsInSight())
  useEffect(() => runs.spellOut(count), [runs, count])
  useEffect(() => runs.stop, [runs])
  return runs
}

/** How much is drawn of a card that stands there in its list; what was there once stays wherever it goes. */
export function useDrawn(runs: RunsInSight, place: number, element: RefObject<Element | null>): Drawn {
  const was = useRef<Drawn>('frame')
  const get = useCallback(() => {
    const is = runs.drawn(place)
    if (is === 'whole' || was.current === 'frame') was.current = is
    return was.current
  }, [runs, place])
  const isFirst = place % RUN === 0 && place >= AT_ONCE
  useEffect(() => {
    if (isFirst && element.current) return runs.watch(element.current, place)
  }, [isFirst, runs, place, element])
  return useSyncExternalStore(runs.subscribe, get, () => 'frame')
}
