import type { Request, RequestHandler } from 'express'
import { LRUCache } from 'lru-cache'
import { readAccountToken, readPlaceToken } from '../auth/cookies.server'
import { accountOf } from '../auth/sign-ins.server'
import type { Database } from '../db/database.server'
import { placeOf } from '../join/join.server'
import { tokenHash } from '../tokens.server'
import { Allowances } from './allowance.server'
import { PACES, ruleFor } from './routes.server'

/** Who is known by a token is known for so long without being looked up again, in milliseconds; only what they may ask hangs on it. */
const KNOWN_FOR_MS = 10 * 60 * 1000
const MOST_KNOWN = 20_000
/** After so many seconds it is worth trying again; a page does so by itself. */
const AGAIN_AFTER_SECONDS = 5

/** Finds out whom the cookies of a request make its sender; null for somebody nobody knows. */
type Finder = (token: string, sessionId: string | null) => Promise<string | null>

/**
 * How often anybody may ask for something. Who has a place or is signed in is counted by themselves, so that nobody else at
 * the same address keeps them out; all others there are counted together, before their cookies are looked up.
 */
export class Paces {
  private readonly known = new LRUCache<string, string>({ max: MOST_KNOWN, ttl: KNOWN_FOR_MS })
  private readonly allowances = {
    usual: allowancesOf('usual'),
    dear: allowancesOf('dear'),
    assets: allowancesOf('assets'),
  }

  constructor(private readonly find: Finder) {}

  async allows(path: string, cookies: string | undefined, address: string): Promise<boolean> {
    const { pace } = ruleFor(path)
    const allowance = this.allowances[pace]
    const sessionId = path.match(/^\/(?:s|events|calls)\/([\w-]{1,40})/)?.[1] ?? null
    const token = await tokenOf(cookies, sessionId)
    const hash = token === null ? null : tokenHash(token)
    const known = hash === null ? undefined : this.known.get(hash)
    if (known !== undefined) return allowance.person.allows(known)
    if (!allowance.address.allows(address)) return false
    if (token === null || hash === null) return true
    const found = await this.find(token, sessionId)
    if (found !== null) this.known.set(hash, found)
    return true
  }
}

const allowancesOf = (pace: keyof typeof PACES) => ({
  person: new Allowances(...PACES[pace].person),
  address: new Allowances(...PACES[pace].address),
})

const tokenOf = async (cookies: string | undefined, sessionId: string | null): Promise<string | null> =>
  cookies === undefined
    ? null
    : ((sessionId === null ? null : await readPlaceToken(cookies, sessionId)) ??
      (await readAccountToken(cookies)))

export const pacesOf = (db: Database): Paces =>
  new Paces(async (token, sessionId) => {
    const place = sessionId === null ? null : await placeOf(db, sessionId, token)
    return place?.participantId ?? (await accountOf(db, token))?.id ?? null
  })

/** Lets requests on at their pace, and asks whoever is too quick to come again. */
export function paced(paces: Paces): RequestHandler {
  return (request, response, next) => {
    paces.allows(request.path, request.headers.cookie, request.ip ?? 'unknown').then(allowed => {
      if (allowed) return next()
      const message = 'That was too much at once. Wait a moment, and try again.'
      response.status(429).set({ 'Retry-After': String(AGAIN_AFTER_SECONDS), 'Cache-Control': 'no-store' })
      if (asksForPage(request))
        response.set('Refresh', String(AGAIN_AFTER_SECONDS)).type('text/plain').send(message)
      else response.json({ ok: false, message })
    }, next)
  }
}

const asksForPage = (request: Request) =>
  request.method === 'GET' && request.accepts(['json', 'html']) === 'html'
