import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { mergeOrders, type PlannedOrder } from '~/core/schedule/merge-orders'
import type { Segment } from '~/core/schedule/running-order'
import { OrderKeeping, type OrderState } from './order-keeping'

export interface OrderEditor extends PlannedOrder {
  /** The list, or what becomes of the one there is: two changes at the same moment are both in. */
  set: (segments: Segment[] | ((now: Segment[]) => Segment[])) => void
  setMinutes: (minutes: number | null) => void
  undo: (() => void) | null
  keeping: OrderKeeping
}

/** So many steps can be undone. */
const MOST_STEPS = 50

/** The running order while it is changed: kept with each change, beside what others change, and every change can be undone. */
export function useOrder(address: string, first: PlannedOrder): OrderEditor {
  const [order, setOrder] = useState(first)
  const [steps, setSteps] = useState<{ before: PlannedOrder; after: PlannedOrder }[]>([])
  const latest = useRef(first)
  const show = useCallback((next: PlannedOrder) => {
    latest.current = next
    setOrder(next)
  }, [])
  const [keeping] = useState(
    () => new OrderKeeping(address, first, { now: () => latest.current, onOthers: show }),
  )
  useEffect(() => keeping.begin(), [keeping])
  const change = useCallback(
    (after: PlannedOrder) => {
      const before = latest.current
      setSteps(done => [...done.slice(1 - MOST_STEPS), { before, after }])
      show(after)
      keeping.keep()
    },
    [keeping, show],
  )
  const set: OrderEditor['set'] = useCallback(
    segments => {
      const now = latest.current
      change({ ...now, segments: typeof segments === 'function' ? segments(now.segments) : segments })
    },
    [change],
  )
  const setMinutes = useCallback((minutes: number | null) => change({ ...latest.current, minutes }), [change])
  const last = steps.at(-1)
  return {
    ...order,
    set,
    setMinutes,
    undo: last
      ? () => {
          setSteps(done => done.slice(0, -1))
          // One's own step alone, not what others did since.
          show(mergeOrders(last.after, last.before, latest.current))
          keeping.keep()
        }
      : null,
    keeping,
  }
}

/** What is happening to it: being kept, kept, or why it was not. Only who asks is drawn again for it. */
export const useOrderState = (keeping: OrderKeeping): OrderState =>
  useSyncExternalStore(keeping.subscribe, keeping.state, keeping.state)
