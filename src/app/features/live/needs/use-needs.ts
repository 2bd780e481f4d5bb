import { partition } from 'lodash-es'
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import type { RoomWorkNow } from '~/contracts/live'
import { isTheirs } from '~/core/live/duties/duty'
import { roomFacts } from '~/core/live/needs/facts'
import { needsOf, REASON_KINDS, type ReasonKind, type RoomNeed } from '~/core/live/needs/needs'
import type { LiveView } from '../../../live/live-view'
import { useServerNow } from '../../../live-client/server-clock'
import { useKeptText } from '../../../ui/use-kept'

type Work = Readonly<Record<string, RoomWorkNow>>

/** Whose needs they are, and which reasons do not count for them. */
export interface Mine {
  off: ReadonlySet<ReasonKind>
  accountId: string
}

/** Needs are worked out anew whenever anything changes, and as time goes by so often, in milliseconds. */
const EVERY_MS = 10_000

/** Rooms by who needs somebody next at a moment; none unless people are at work in them. */
export function needsAt(view: LiveView, work: Work, now: number, { off, accountId }: Mine): RoomNeed[] {
  const { clock } = view
  if (!clock || clock.graceEndsAt !== null) return []
  const needs = needsOf(roomFacts(view, work, accountId), clock, now, off)
  // Whoever was given some rooms looks after those; of the others it is for others to say what they need.
  const [mine, others] = partition(needs, ({ roomId }) => isTheirs(view, accountId, roomId))
  return others.length === 0
    ? needs
    : [...mine, ...others.map(({ roomId }) => ({ roomId, points: 0, reasons: [] }))]
}

/**
 * Rooms by who needs somebody next, as time goes by. With every full minute a hundred rooms may say something else: they are drawn
 * in parts, so that the page answers meanwhile.
 */
export function useNeeds(
  view: LiveView,
  work: Work,
  { off, accountId }: Mine,
  pageMadeAt: number,
): { needs: RoomNeed[]; now: number } {
  const now = useDeferredValue(useServerNow(pageMadeAt, EVERY_MS))
  const needs = useMemo(() => needsAt(view, work, now, { off, accountId }), [view, work, now, off, accountId])
  return { needs, now }
}

/** Reasons that do not count for whoever uses this browser, and how to switch one. */
export function useReasonsOff(): [ReadonlySet<ReasonKind>, (kind: ReasonKind, on: boolean) => void] {
  const [kept, keep] = useKeptText('reasons-off', '', 'localStorage')
  const off = useMemo(
    () => new Set(REASON_KINDS.filter(kind => kept.split(' ').includes(kind))) as ReadonlySet<ReasonKind>,
    [kept],
  )
  const set = useCallback(
    (kind: ReasonKind, on: boolean) =>
      keep(REASON_KINDS.filter(each => (each === kind ? !on : off.has(each))).join(' ')),
    [keep, off],
  )
  return [off, set]
}

/** After a pointer moved over the rooms, or a key was pressed among them, they stay where they are for so long. */
const HOLD_MS = 4_000

/**
 * Keeps an order while somebody reaches into what is ordered: nothing moves away from under a hand. What is new comes at
 * the end, and what is gone is gone. Ordered `by` something else it is let go at once.
 */
export function useHeldOrder(
  wanted: readonly string[],
  by: string,
): { order: readonly string[]; hold: () => void } {
  const [held, setHeld] = useState<readonly string[] | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => () => clearTimeout(timer.current), [])
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is about when another order is chosen.
  useEffect(() => setHeld(null), [by])
  const latest = useRef(wanted)
  useEffect(() => {
    latest.current = wanted
  })
  const hold = useCallback(() => {
    setHeld(before => before ?? latest.current)
    clearTimeout(timer.current)
    timer.current = setTimeout(() => setHeld(null), HOLD_MS)
  }, [])
  return { order: held ? inHeldOrder(held, wanted) : wanted, hold }
}

export function inHeldOrder(held: readonly string[], wanted: readonly string[]): string[] {
  const here = new Set(wanted)
  const before = new Set(held)
  return [...held.filter(id => here.has(id)), ...wanted.filter(id => !before.has(id))]
}
