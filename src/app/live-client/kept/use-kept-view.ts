import { useEffect } from 'react'
import type { LiveStore } from '../live-store'
import { serverTime } from '../server-clock'
import { keepView, keptView } from './kept-store'

/** What is kept, whose it is, when the page was made, by the server's clock, and whether a view is still to be kept. */
export interface KeepAs<View> {
  sessionId: string
  participantId: string
  madeAt: number
  isKept: (view: View) => boolean
}

/** A view is written at most this often, in milliseconds. */
const GATHER_MS = 500

/**
 * Keeps in this browser how the session stands, as it changes; a page that is older than that, since it was opened without a
 * line, goes on with it.
 */
export function useKeptView<View extends object>(
  store: LiveStore<View>,
  { sessionId, participantId, madeAt, isKept }: KeepAs<View>,
): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    let written: View | undefined
    const write = () => {
      timer = undefined
      const { view, line } = store.getSnapshot()
      if (line === 'lost' || view === written || !isKept(view)) return
      written = view
      keepView(sessionId, participantId, view, serverTime()).catch(() => undefined)
    }
    let stop: (() => void) | undefined
    let gone = false
    keptView(sessionId, participantId)
      .then(kept => {
        if (gone) return
        if (kept && kept.at > madeAt) {
          written = kept.view as View
          store.takeUp(written)
        } else write()
        stop = store.subscribe(() => {
          timer ??= setTimeout(write, GATHER_MS)
        })
      })
      .catch(() => undefined)
    return () => {
      gone = true
      stop?.()
      clearTimeout(timer)
    }
  }, [store, sessionId, participantId, madeAt, isKept])
}
