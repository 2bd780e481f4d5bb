import { useState, useSyncExternalStore } from 'react'
import { type LiveSnapshot, LiveStore } from './live-store'

/** Follows a session through its event stream, starting from the view the page came with. */
export const useLive = <View extends object>(url: string, first: View): LiveSnapshot<View> =>
  useSnapshot(useLiveStore(url, first))

/** What follows a session, for a page that does more with it than read it. */
export function useLiveStore<View extends object>(url: string, first: View): LiveStore<View> {
  const [store] = useState(() => new LiveStore<View>(url, first))
  return store
}

export const useSnapshot = <View extends object>(store: LiveStore<View>): LiveSnapshot<View> =>
  useSyncExternalStore(store.subscribe, store.getSnapshot, store.getSnapshot)
