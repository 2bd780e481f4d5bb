import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react'
import type { Segment } from '~/core/schedule/running-order'
import { OrderKeeping, type OrderState } from './order-keeping'

interface Order {
  segments: Segment[]
  /** How long the session may take, in minutes; null where nobody has said. */
  minutes: number | null
}

export interface OrderEditor extends Order {
  /** The list, or what becomes of the one there is: two changes at the same moment are both in. */
  set: (segments: Segment[] | ((now: Segment[]) => Segment[])) => void
  setMinutes: (minutes: number | null) => void
  undo: (() => void) | null
  keeping: OrderKeeping
}

/** So many steps can be undone. */
const MOST_STEPS = 50

/** The running order while it is changed: kept with each change, and every change can be undone. */
export function useOrder(address: string, first: Order): OrderEditor {
  const [order, setOrder] = useState(first)
  const [before, setBefore] = useState<Order[]>([])
  const latest = useRef(first)
  const [keeping] = useState(() => new OrderKeeping(address))
  useEffect(() => keeping.begin(), [keeping])
  const take = useCallback(
    (next: Order) => {
      latest.current = next
      setOrder(next)
      keeping.keep(next)
    },
    [keeping],
  )
  const change = useCallback(
    (next: Order) => {
      const now = latest.current
      setBefore(steps => [...steps.slice(1 - MOST_STEPS), now])
      take(next)
    },
    [take],
  )
  const set: OrderEditor['set'] = useCallback(
    segments => {
      const now = latest.current
      change({ ...now, segments: typeof segments === 'function' ? segments(now.segments) : segments })
    },
    [change],
  )
  const setMinutes = useCallback((minutes: number | null) => change({ ...latest.current, minutes }), [change])
  const last = before.at(-1)
  return {
    ...order,
    set,
    setMinutes,
    undo: last
      ? () => {
          setBefore(steps => steps.slice(0, -1))
          take(last)
        }
      : null,
    keeping,
  }
}

/** What is happening to it: being kept, kept, or why it was not. Only who asks is drawn again for it. */
export const useOrderState = (keeping: OrderKeeping): OrderState =>
  useSyncExternalStore(keeping.subscribe, keeping.state, keeping.state)
