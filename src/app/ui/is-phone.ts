import { useSyncExternalStore } from 'react'

/** As wide as the theme's `md` begins. */
const WIDE = '(min-width: 48em)'

/** Whether the page is as narrow as a phone; on the server it is not. */
export function useIsPhone(): boolean {
  return useSyncExternalStore(
    tell => {
      const wide = window.matchMedia(WIDE)
      wide.addEventListener('change', tell)
      return () => wide.removeEventListener('change', tell)
    },
    () => !window.matchMedia(WIDE).matches,
    () => false,
  )
}
