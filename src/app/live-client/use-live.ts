import { useState, useSyncExternalStore } from 'react'
import { type LiveSnapshot, LiveStore } from './live-store'

/** Follows a session through its event stream, starting from the view the page came with. */
export function useLive<View extends object>(url: string, first: View): LiveSnapshot<View> {
  const [store] = useState(() => new LiveStore<View>(url, first))
  return useSyncExternalStore(store.subscribe, store.getSnapshot, store.getSnapshot)
}
