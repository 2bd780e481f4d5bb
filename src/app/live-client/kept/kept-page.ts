import { CACHES, WORKER_PATH } from './caches'
import { forgetSession, keepPageOf, keptPageOf, keptSessions } from './kept-store'

/**
 * Whether this participant's page is here already, as when it was opened without a line. That of somebody else who had this
 * browser before is let go of: its address is the same.
 */
export async function ownPageIsKept(sessionId: string, participantId: string): Promise<boolean> {
  if (!canOpenWithoutLine()) return false
  try {
    if ((await keptPageOf(sessionId)) === participantId) return await isInCache()
    await dropPages(sessionId)
  } catch {
    // Then it is not here.
  }
  return false
}

const isInCache = async () => (await (await caches.open(CACHES.pages)).match(location.pathname)) !== undefined

/**
 * Keeps the page itself, with what it is made of, so that it opens without a line. Only a page that came over HTTPS, or from
 * this machine, may (W3C, "Service Workers", secure contexts): false where it may not.
 */
export async function keepPage(sessionId: string, participantId: string): Promise<boolean> {
  if (!canOpenWithoutLine()) return false
  try {
    // Without a line its script can't be looked at again; the one that is here goes on.
    await navigator.serviceWorker.register(WORKER_PATH).catch(error => {
      if (!navigator.serviceWorker.controller) throw error
    })
    await navigator.serviceWorker.ready
    // What came before the worker was there it has not seen.
    const loaded = performance
      .getEntriesByType('resource')
      .map(({ name }) => new URL(name))
      .filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith('/assets/'))
    const assets = await caches.open(CACHES.assets)
    await assets.addAll([...new Set(loaded.map(({ href }) => href))])
    const pages = await caches.open(CACHES.pages)
    await pages.add(location.pathname)
    await keepPageOf(sessionId, participantId)
    return true
  } catch {
    // No line, a full disk, or a browser that has none of it.
    return false
  }
}

/** Whether a page from this address can be opened without a line at all; in development none is. */
export const canOpenWithoutLine = (): boolean =>
  import.meta.env.PROD && window.isSecureContext && 'serviceWorker' in navigator && 'caches' in window

/** Lets go of all that this browser keeps of a session, its pages and files with it. */
export async function forgetAll(sessionId: string): Promise<void> {
  await forgetSession(sessionId)
  await dropPages(sessionId)
  const { kept } = await keptSessions(Date.now())
  if (kept.length === 0 && 'caches' in window) await caches.delete(CACHES.assets)
}

/** As `forgetAll`, for who goes elsewhere once it is done: a browser whose disk hangs is not waited for longer than two seconds. */
export const forgetSoon = (sessionId: string): Promise<unknown> =>
  Promise.race([forgetAll(sessionId), new Promise(resolve => setTimeout(resolve, 2_000))])

/** Lets go of sessions whose pages were not opened for long. */
export async function forgetOld(): Promise<void> {
  const { tooLong } = await keptSessions(Date.now())
  for (const sessionId of tooLong) await forgetAll(sessionId)
}

async function dropPages(sessionId: string): Promise<void> {
  if (!('caches' in window)) return
  const own = `/s/${sessionId}`
  const pages = await caches.open(CACHES.pages)
  for (const request of await pages.keys()) {
    const { pathname } = new URL(request.url)
    if (pathname === own || pathname.startsWith(`${own}/`)) await pages.delete(request)
  }
}
