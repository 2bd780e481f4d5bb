import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import { readAccountToken, readPlaceToken, readPlaceTokens } from '../auth/cookies.server'
import { type Account, accountOf, whileSignedIn } from '../auth/sign-ins.server'
import type { SocketUser } from '../boards/who-asks.server'
import { placeOf, placesOf } from '../join/join.server'
import type { Services } from '../services.server'
import { sameOrigin } from './origin.server'

/** Where sockets are opened, as `ROUTES` has them: that of the boards, and those of the calls. */
export const BOARD_PATH = '/boards/socket'
export const CALL_PATH = '/calls/:sessionId/:roomId'
const CALL = /^\/calls\/([\w-]{1,40})\/([\w-]{1,40})$/

interface Knock {
  request: IncomingMessage
  socket: Duplex
  head: Buffer
  /** The network address it comes from. */
  address: string
  account: Account | null
}

/** Hands a socket that may be opened to who works with it; every other one is closed at once. */
export async function acceptSocket(
  services: Services,
  request: IncomingMessage,
  socket: Duplex,
  head: Buffer,
  address: string,
): Promise<void> {
  const path = request.url?.split('?')[0] ?? ''
  const call = CALL.exec(path)
  const cookies = request.headers.cookie
  const mayAsk =
    (path === BOARD_PATH || call !== null) &&
    sameOrigin(request.headers, services.settings.publicAddress) &&
    (await services.paces.allows(path, cookies, address))
  if (!mayAsk) {
    socket.destroy()
    return
  }
  const token = await readAccountToken(cookies)
  const account = await accountOf(services.db, token)
  const knock = { request, socket, head, address, account }
  const [, sessionId = '', roomId = ''] = call ?? []
  const isIn = call
    ? await openCall(services, knock, { sessionId, roomId })
    : await openBoards(services, knock)
  if (!isIn) socket.destroy()
  else if (account)
    socket.once(
      'close',
      whileSignedIn(services.db, token, account, () => socket.destroy()),
    )
}

async function openBoards(
  services: Services,
  { request, socket, head, address, account }: Knock,
): Promise<boolean> {
  const asFacilitator = account && facilitatorUser(account)
  const atPlace = request.url?.endsWith('?place') === true
  // Who is signed in and tries a session out in the same browser writes there as who they are in it.
  const user =
    asFacilitator && !atPlace
      ? asFacilitator
      : ((await participantUser(services, request.headers.cookie)) ?? asFacilitator)
  if (user) services.boards.accept(request, socket, head, user, address)
  return user !== null
}

/** Whoever has a place there comes as who they are there, also where somebody is signed in on the same browser. */
async function openCall(
  services: Services,
  { request, socket, head, address, account }: Knock,
  where: { sessionId: string; roomId: string },
): Promise<boolean> {
  const token = await readPlaceToken(request.headers.cookie, where.sessionId)
  const place = await placeOf(services.db, where.sessionId, token)
  const asFacilitator = request.url?.endsWith('?facilitator') === true
  const user =
    asFacilitator && account
      ? { accountId: account.id, name: account.displayName }
      : place && !asFacilitator
        ? { participantId: place.participantId }
        : null
  if (user) services.calls.sockets.accept(request, socket, head, where, user, address)
  return user !== null
}

const facilitatorUser = ({ id }: Account): SocketUser => {
  return { key: id, accountId: id, participantIn: () => null }
}

/** Whose socket it is, by its places; null for somebody who has none anywhere: then nothing is read from it. */
async function participantUser(services: Services, cookies: string | undefined): Promise<SocketUser | null> {
  const places = await placesOf(services.db, await readPlaceTokens(cookies))
  const [first] = places
  if (!first) return null
  const participantIds = new Map(places.map(place => [place.sessionId, place.participantId]))
  return {
    key: first.participantId,
    accountId: null,
    participantIn: sessionId => participantIds.get(sessionId) ?? null,
  }
}
