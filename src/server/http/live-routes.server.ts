import type { IncomingHttpHeaders } from 'node:http'
import { setTimeout } from 'node:timers/promises'
import { sql } from 'drizzle-orm'
import { type Request, type Response, Router } from 'express'
import { seesPutUp } from '~/core/live/put-up/put-up'
import type { Viewer } from '~/core/live/views'
import { readAccountToken, readPlaceToken } from '../auth/cookies.server'
import { type Account, accountOf, whileSignedIn } from '../auth/sign-ins.server'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { placeOf } from '../join/join.server'
import { EventStream, lastSeqOf } from '../live/stream.server'
import type { Services } from '../services.server'
import { ConnectionCounts } from './connection-counts.server'

/**
 * The event streams. They bypass the page router, because a
 * stream lives as long as a session and is written to from outside any request. With them what is asked again and again: the
 * server's time, and whether it is well.
 */
export function liveRoutes(services: Services): Router {
  const router = Router()
  const counts = new ConnectionCounts()
  router.get('/health', async (_request, response) => {
    const ok = await answers(services.db)
    response
      .status(ok ? 200 : 503)
      .set('Cache-Control', 'no-store')
      .json({ ok })
  })
  router.get('/clock', (_request, response) => {
    response.set('Cache-Control', 'no-store').json({ now: serverNow() })
  })
  router.get('/events/:sessionId/:reader', (request, response, next) => {
    openStream(services, counts, request, response).catch(next)
  })
  return router
}

/** How long the database may take to say that it is there, in milliseconds. */
const LONGEST_ANSWER_MS = 2_000

/** Whether the database answers. */
async function answers(db: Database): Promise<boolean> {
  const asked = db.execute(sql`select 1`).then(
    () => true,
    () => false,
  )
  return Promise.race([asked, setTimeout(LONGEST_ANSWER_MS, false, { ref: false })])
}

async function openStream(
  services: Services,
  counts: ConnectionCounts,
  request: Request,
  response: Response,
): Promise<void> {
  // Listened for from the first moment: a browser may leave while it is still being found out who it is.
  let gone = false
  let stop: (() => void) | undefined
  response.on('close', () => {
    gone = true
    stop?.()
  })
  const sessionId = String(request.params.sessionId)
  const reader = await readerOf(services, request, sessionId)
  if (gone) return
  if (!reader) {
    response.status(403).type('text/plain').send('You have no place in this session.')
    return
  }
  const { viewer, account } = reader
  const who = viewer.kind === 'participant' ? viewer.participantId : (account?.id ?? '')
  const letGo = counts.admit(who, request.ip ?? 'unknown')
  if (!letGo) {
    response
      .status(429)
      .type('text/plain')
      .send('This session is open too often here. Close other tabs of it.')
    return
  }
  response.on('close', letGo)
  const stream = new EventStream(request, response)
  if (account) {
    const token = await readAccountToken(request.headers.cookie)
    response.on(
      'close',
      whileSignedIn(services.db, token, account, () => response.end()),
    )
  }
  const { hub } = services
  stop = await hub.follow(
    sessionId,
    viewer,
    lastSeqOf(request),
    stream.send,
    account,
    isPhone(request.headers),
  )
  if (gone) {
    stop()
    return
  }
  if (viewer.kind === 'participant') {
    const state = await services.hub.state(sessionId)
    const me = state.participants.get(viewer.participantId)
    const told = me && seesPutUp(state, me) ? await services.putUpOnPages.now(sessionId) : null
    if (told && !gone) stream.send(told, state.seq)
  }
  if (viewer.kind === 'facilitator') {
    const state = await services.hub.state(sessionId)
    stream.send({ kind: 'work', rooms: await services.boards.work.of(sessionId, state) }, state.seq)
    stream.send(services.calls.now(sessionId), state.seq)
    stream.send(services.doings.now(sessionId), state.seq)
  }
}

/**
 * Whether a browser says that it runs on a phone: by `Sec-CH-UA-Mobile` (W3C, User-Agent Client Hints, 3.1), or where it sends none, by
 * `Mobi` in its name, as MDN advises under 'Browser detection using the user agent'.
 */
export function isPhone(headers: IncomingHttpHeaders): boolean {
  const hint = headers['sec-ch-ua-mobile']
  return hint === undefined ? /Mobi/.test(headers['user-agent'] ?? '') : hint === '?1'
}

/** Whom the cookies of a request make its reader; null when they give no right to read. */
async function readerOf(
  services: Services,
  request: Request,
  sessionId: string,
): Promise<{ viewer: Viewer; account: Account | null } | null> {
  const { reader } = request.params
  const cookies = request.headers.cookie
  if (reader === 'facilitator' || reader === 'projector') {
    const account = await accountOf(services.db, await readAccountToken(cookies))
    return account ? { viewer: { kind: reader }, account } : null
  }
  if (reader !== 'participant') return null
  const place = await placeOf(services.db, sessionId, await readPlaceToken(cookies, sessionId))
  if (!place) return null
  const state = await services.hub.state(sessionId)
  return state.participants.get(place.participantId)
    ? { viewer: { kind: 'participant', participantId: place.participantId }, account: null }
    : null
}
