import { useCallback, useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Segment } from '~/core/schedule/running-order'

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
  /** What is happening to it: being kept, kept, or why it was not. */
  state: 'as it was' | 'saving' | 'saved' | { problem: string }
}

/** So many steps can be undone. */
const MOST_STEPS = 50

/** The running order while it is changed: kept with each change, and every change can be undone. */
export function useOrder(first: Order): OrderEditor {
  const [order, setOrder] = useState(first)
  const [before, setBefore] = useState<Order[]>([])
  const fetcher = useFetcher<{ order?: string }>()
  const latest = useRef(first)
  const { submit } = fetcher
  const take = useCallback(
    (next: Order) => {
      latest.current = next
      setOrder(next)
      const minutes = next.minutes === null ? '' : String(next.minutes)
      submit({ intent: 'order', order: JSON.stringify(next.segments), minutes }, { method: 'post' })
    },
    [submit],
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
  const problem = fetcher.data?.order
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
    state:
      fetcher.state !== 'idle'
        ? 'saving'
        : fetcher.data === undefined
          ? 'as it was'
          : problem
            ? { problem }
            : 'saved',
  }
}
