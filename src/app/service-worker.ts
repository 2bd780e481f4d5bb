import { clientsClaim } from 'workbox-core'
import { registerRoute } from 'workbox-routing'
import { CacheFirst, NetworkFirst } from 'workbox-strategies'
import { CACHES } from './live-client/kept/caches'

declare const self: { skipWaiting(): Promise<void> }

/** A server that says nothing for so long is not there, in seconds: the page is shown as it was last. */
const LONGEST_WAIT_S = 5

/**
 * Stands in for the server when there is no line. It answers for participants' pages only, with what they were shown before:
 * the pages put away there, and let go of, what is kept (`live-client/kept`).
 */
self.skipWaiting().catch(() => undefined)
clientsClaim()

/** What a page is made of never changes under its name. */
registerRoute(({ url }) => url.pathname.startsWith('/assets/'), new CacheFirst({ cacheName: CACHES.assets }))

/** Pictures that stand on a board. */
registerRoute(
  ({ url, request }) => /^\/s\/[^/]+\/files\//.test(url.pathname) && request.destination === 'image',
  new CacheFirst({ cacheName: CACHES.pages }),
)

const network = new NetworkFirst({
  cacheName: CACHES.pages,
  networkTimeoutSeconds: LONGEST_WAIT_S,
  matchOptions: { ignoreSearch: true, ignoreVary: true },
  plugins: [
    {
      // A page that the server gives no more, since the place is taken or given back, is not to come back from here.
      cacheWillUpdate: async ({ request, response }) => {
        if (response.status === 200) return response
        const pages = await caches.open(CACHES.pages)
        await pages.delete(request, { ignoreSearch: true })
        return null
      },
    },
  ],
})
registerRoute(({ request, url }) => request.mode === 'navigate' && /^\/s\/[^/]+$/.test(url.pathname), network)
