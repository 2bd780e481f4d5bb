import type { IncomingHttpHeaders } from 'node:http'

/**
 * Whether a request that changes something, or opens a socket, comes from our own pages. Browsers send Origin with
 * every such request; one without it is no browser acting for somebody else.
 */
export function sameOrigin(headers: IncomingHttpHeaders, publicAddress: string | null): boolean {
  const { origin, host } = headers
  if (origin === undefined) return true
  if (publicAddress !== null && origin === publicAddress) return true
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}
