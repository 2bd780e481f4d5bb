import { type Request, type Response, Router } from 'express'
import { filesIn } from '~/core/boards/files-in'
import { givenFiles } from '~/core/live/material/material'
import { roomsWith } from '~/core/live/put-up/work'
import { participantView } from '~/core/live/views'
import { CAPTIONS_NAME, fileHash, PICTURE_WIDTHS } from '~/core/material/material'
import { readAccountToken, readPlaceToken } from '../auth/cookies.server'
import { accountOf } from '../auth/sign-ins.server'
import { errorFacts } from '../error-facts.server'
import { nullWhenGone } from '../errors.server'
import { placeByReviewToken, placeOf } from '../join/join.server'
import { addCopyPicture, copyForPictures, isInSession, isOnCopies } from '../material/copy-pictures.server'
import { captionsOf, fileOf } from '../material/material.server'
import { isOutOfRoom, NotTakenError, pictureName, WHOLE } from '../material/take-in.server'
import type { Uploads } from '../material/uploads.server'
import type { Services } from '../services.server'
import { sameOrigin } from './origin.server'
import { UPLOADS_PATH } from './routes.server'

/**
 * Files come in and go out here, beside the page router: in pieces, and in ranges. Whatever is in a file, it never runs as one of
 * our pages: it is sent as what it was found to be, alone, and nothing in it may run or ask for anything.
 */
export function materialRoutes(services: Services, uploads: Uploads): Router {
  const router = Router()
  for (const path of [UPLOADS_PATH, `${UPLOADS_PATH}/:uploadId`])
    router.all(path, (request, response, next) => {
      takeUpload(services, uploads, request, response).catch(next)
    })
  router.get('/files/:hash/:name', (request, response, next) => {
    sendToAccount(services, request, response).catch(next)
  })
  router.post('/s/:sessionId/pictures', (request, response, next) => {
    takePicture(services, request, response).catch(next)
  })
  router.get('/s/:sessionId/files/:hash/:name', (request, response, next) => {
    sendToPlace(services, request, response).catch(next)
  })
  router.get('/mine/:reviewToken/files/:hash/:name', (request, response, next) => {
    sendToLink(services, request, response).catch(next)
  })
  return router
}

const accountAsking = async ({ db }: Services, request: Request) =>
  accountOf(db, await readAccountToken(request.headers.cookie))

async function takeUpload(services: Services, uploads: Uploads, request: Request, response: Response) {
  const refuse = (status: number, why: string) => response.status(status).type('text/plain').send(why)
  if (!sameOrigin(request.headers, services.settings.publicAddress))
    return refuse(403, 'This was sent from another site.')
  const account = await accountAsking(services, request)
  if (!account) return refuse(401, 'Sign in first.')
  response.set('Cache-Control', 'no-store')
  await uploads.handle(request, response, account.displayName)
}

async function sendToAccount(services: Services, request: Request, response: Response) {
  if (await accountAsking(services, request)) await send(services, request, response)
  else notHere(response)
}

/** A picture that somebody in a room adds to its board. */
async function takePicture(services: Services, request: Request, response: Response) {
  const refuse = (status: number, why: string) => response.status(status).type('text/plain').send(why)
  const { db, hub, folder, settings, log } = services
  response.set('Cache-Control', 'no-store')
  if (!sameOrigin(request.headers, settings.publicAddress))
    return refuse(403, 'This was sent from another site.')
  const { sessionId = '' } = request.params as Record<string, string>
  const place = await placeOf(db, sessionId, await readPlaceToken(request.headers.cookie, sessionId))
  if (!place) return refuse(401, 'Join first.')
  const { participantId } = place
  const copyId = copyForPictures(await hub.state(sessionId), participantId, String(request.query.promptId))
  if (copyId === null) return refuse(403, 'No picture can be added here now.')
  const size = Number(request.headers['content-length'] ?? 0)
  if (size === 0) return refuse(422, 'There is nothing in this file.')
  if (!(await folder.hasRoomFor(3 * size))) return refuse(507, 'There is no room left on the server’s disk.')
  try {
    return response.json(await addCopyPicture(db, folder, { copyId, participantId }, request))
  } catch (error) {
    if (error instanceof NotTakenError) return refuse(422, error.message)
    // A line that broke is nobody's fault, and there is nobody to tell.
    if (request.destroyed && !request.complete) return response.destroy()
    log.error({ error: errorFacts(error) }, 'a picture could not be kept')
    return isOutOfRoom(error)
      ? refuse(507, 'There is no room left on the server’s disk.')
      : refuse(500, 'This picture could not be kept. Try it again.')
  }
}

/** To somebody at a place, what stands on a board they can see, and what they were given. */
async function sendToPlace(services: Services, request: Request, response: Response) {
  const { sessionId = '', hash = '' } = request.params as Record<string, string>
  const token = await readPlaceToken(request.headers.cookie, sessionId)
  const place = await placeOf(services.db, sessionId, token)
  const state = place && (await services.hub.state(sessionId))
  const view = state && participantView(state, place.participantId)
  // What is put up on everybody's page is read by everybody, whosever board it is.
  const up = state && view?.putUp?.is === 'work' ? roomsWith(state, view.putUp) : []
  const shown = view?.putUp?.is === 'material' ? [view.putUp.thing] : []
  const boards = [...(view?.board ? [view.board] : []), ...up.map(({ board }) => board)]
  const said = view?.messages.flatMap(({ thing }) => thing ?? []) ?? []
  const given = givenFiles([...(view?.given.map(({ thing }) => thing) ?? []), ...said, ...shown])
  const isTheirs = given.has(hash) || boards.some(board => filesIn(board).has(hash))
  const readable = [
    ...(view?.whereabouts.where === 'room' ? readableCopies(view.whereabouts) : []),
    ...up.map(({ room }) => room.copyId),
  ]
  if (isTheirs || (await isOnCopies(services.db, readable, hash))) await send(services, request, response)
  else notHere(response)
}

const readableCopies = ({ copyId, alsoReads }: { copyId: string; alsoReads: { copyId: string }[] }) => [
  copyId,
  ...alsoReads.map(other => other.copyId),
]

/** To somebody with their own link, what stood on a board of their session; nobody knows the name of a file they were never sent. */
async function sendToLink(services: Services, request: Request, response: Response) {
  const { reviewToken = '', hash = '' } = request.params as Record<string, string>
  const place = await placeByReviewToken(services.db, reviewToken).catch(nullWhenGone)
  const state = place && (await services.hub.state(place.sessionId))
  const isOnBoard = state?.boards.some(board => filesIn(board).has(hash))
  if (isOnBoard || (place && (await isInSession(services.db, place.sessionId, hash))))
    await send(services, request, response)
  else notHere(response)
}

const notHere = (response: Response) =>
  response.status(404).type('text/plain').send('This file is not here, or not for you.')

const NAMES = new Set<string>([WHOLE, ...PICTURE_WIDTHS.map(pictureName)])

async function send({ db, folder }: Services, request: Request, response: Response): Promise<void> {
  const { hash = '', name = '' } = request.params as Record<string, string>
  if (name === CAPTIONS_NAME) {
    const captions = fileHash.safeParse(hash).success ? await captionsOf(db, hash) : null
    if (captions === null) notHere(response)
    // They can be changed under the same hash.
    else
      response
        .set({
          'Content-Type': 'text/vtt; charset=utf-8',
          'X-Content-Type-Options': 'nosniff',
          'Cache-Control': 'private, no-cache',
        })
        .send(captions)
    return
  }
  const isName = fileHash.safeParse(hash).success && NAMES.has(name)
  const file = isName ? await fileOf(db, hash) : undefined
  if (!file || (file.kind === 'picture') !== (name !== WHOLE)) {
    notHere(response)
    return
  }
  response.set({
    'Content-Type': file.type,
    'Content-Security-Policy': "default-src 'none'; sandbox",
    'X-Content-Type-Options': 'nosniff',
    'Cross-Origin-Resource-Policy': 'same-origin',
    'Content-Disposition': file.kind === 'pdf' ? `attachment; filename="${hash.slice(0, 12)}.pdf"` : 'inline',
    // What is kept under a hash never changes; it may be taken from somebody, so it is kept by their browser for a day at most.
    'Cache-Control': 'private, max-age=86400, immutable',
  })
  await new Promise<void>(resolve => {
    // With ranges, so that a video can begin in the middle (RFC 9110, section 14).
    response.sendFile(folder.pathOf(hash, name), { dotfiles: 'allow', cacheControl: false }, error => {
      if (error && !response.headersSent) {
        const outOfRange = (error as { status?: number }).status === 416
        if (outOfRange) response.status(416).type('text/plain').send('There is not so much of it.')
        else notHere(response)
      }
      resolve()
    })
  })
}
