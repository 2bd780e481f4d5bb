import { createHmac } from 'node:crypto'
import type { IceServer } from '~/contracts/call-told'
import type { Settings } from '../settings.server'

/** How long a name for the TURN server holds, in seconds: longer than any session. */
const HOLDS_S = 12 * 60 * 60

/**
 * The servers by which the browser of one person finds the others. A TURN server is used under a name that ends at a moment, with the
 * word both sides share as its proof: J. Uberti, "A REST API For Access To TURN Services" (draft-uberti-behave-turn-rest-00), 2.2. `now`
 * in milliseconds since 1970.
 */
export function iceServers({ servers, secret }: Settings['call'], who: string, now: number): IceServer[] {
  const stun = servers.filter(url => url.startsWith('stun:'))
  const turn = servers.filter(url => !url.startsWith('stun:'))
  const username = `${Math.floor(now / 1000) + HOLDS_S}:${who}`
  const named = secret !== null && {
    username,
    credential: createHmac('sha1', secret).update(username).digest('base64'),
  }
  return [
    ...(stun.length > 0 ? [{ urls: stun }] : []),
    // Without the word nobody is let in there, and browsers refuse to try.
    ...(turn.length > 0 && named ? [{ urls: turn, ...named }] : []),
  ]
}
