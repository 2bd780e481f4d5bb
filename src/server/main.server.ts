/** Puts the server together: database, live hub, boards, pages. Started by `server.js`. */
import { readdirSync } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express, { type Express } from 'express'
import compressedFiles from 'express-static-gzip'
import { type Logger, pino } from 'pino'
import { RouterContextProvider, type ServerBuild } from 'react-router'
import { hasAccounts } from './auth/accounts.server'
import { BoardServer } from './boards/board-server.server'
import { Calls } from './call/calls.server'
import { moveClock } from './clock.server'
import { type Database, openDatabase } from './db/database.server'
import { errorFacts } from './error-facts.server'
import { callerOf } from './http/addresses.server'
import { boundedBodies } from './http/bodies.server'
import { commandRoutes } from './http/command-routes.server'
import { nonceOf, safeHeaders } from './http/headers.server'
import { liveRoutes } from './http/live-routes.server'
import { materialRoutes } from './http/material-routes.server'
import { sameOrigin } from './http/origin.server'
import { paced, pacesOf } from './http/paces.server'
import { inThreeLines } from './http/pacing.server'
import { requestLog } from './http/request-log.server'
import { acceptSocket } from './http/sockets.server'
import { sendersFault, soundRequests } from './http/sound-requests.server'
import { createLimits } from './limits.server'
import { AnswersApart } from './live/answers-apart.server'
import { Doings } from './live/doings.server'
import { LiveHub } from './live/hub.server'
import { PutUpOnPages } from './live/put-up-on-pages.server'
import { FileFolder } from './material/file-folder.server'
import { Uploads } from './material/uploads.server'
import { Rehearsals } from './rehearsals/rehearsals.server'
import { addressContext, nonceContext, type Services, servicesContext } from './services.server'
import type { Settings } from './settings.server'
import { newToken } from './tokens.server'
import { stopWorkThread } from './work/work-thread.server'

export interface RoundTable<Filled> {
  handler: Express
  /** What `fill` gave; null without it. */
  filled: Filled | null
  /** What the first account is made with; null when there are accounts. */
  startWord: string | null
  upgrade(request: IncomingMessage, socket: Duplex, head: Buffer): void
  /** Moves the server's time forward, for tests. */
  moveClock(milliseconds: number): Promise<void>
  stop(): Promise<void>
}

export interface Assembly<Filled> {
  settings: Settings
  /** Fills the database before anybody is let in. */
  fill?: (db: Database, folder: FileFolder) => Promise<Filled>
  /** Added before the pages: Vite in development. */
  development?: express.RequestHandler
  build?: () => Promise<ServerBuild>
}

/** Opens the data folder, takes up running sessions, and gives what an HTTP server needs. */
export async function createRoundTable<Filled>({
  settings,
  fill,
  development,
  build,
}: Assembly<Filled>): Promise<RoundTable<Filled>> {
  const log = pino({ name: 'round-table' })
  // The pages are read while the database opens on its own thread.
  const pages = build ?? builtPages()
  const { db, close, lost } = await openDatabase(settings.dataFolder)
  // A server whose database is gone ends, for whoever keeps it running to start it again. It loses nothing it said was saved.
  lost.then(() => {
    log.fatal('The database has ended; the server ends with it.')
    process.exit(1)
  })
  const hub = new LiveHub(db, log)
  const boards = new BoardServer(db, hub, log)
  const doings = new Doings(hub, log)
  const calls = new Calls(hub, settings.call, log)
  const putUpOnPages = new PutUpOnPages(hub, boards, log)
  const answersApart = new AnswersApart(hub, log)
  const rehearsals = new Rehearsals({ db, hub, boards, answersApart }, log)
  const folder = new FileFolder(settings.dataFolder)
  await folder.start()
  const uploads = new Uploads(db, folder, log)
  const filled = (await fill?.(db, folder)) ?? null
  const startWord = (await hasAccounts(db)) ? null : newToken()
  const services: Services = {
    db,
    hub,
    boards,
    calls,
    doings,
    putUpOnPages,
    answersApart,
    rehearsals,
    limits: createLimits(),
    paces: pacesOf(db),
    folder,
    settings,
    log,
    startWord,
  }
  await rehearsals.start()
  for (const sessionId of await hub.start()) await answersApart.takeUp(sessionId)
  return {
    filled,
    startWord,
    handler: createApp(services, uploads, log, development, await pages),
    upgrade: (request, socket, head) => upgrade(services, request, socket, head),
    moveClock: async milliseconds => {
      moveClock(milliseconds)
      await hub.wake()
    },
    stop: async () => {
      uploads.stop()
      calls.stop()
      putUpOnPages.stop()
      await rehearsals.stop()
      await answersApart.stop()
      await boards.stop()
      await hub.stop()
      await stopWorkThread()
      await close()
    },
  }
}

const builtPages = () => import('virtual:react-router/server-build') as Promise<ServerBuild>

function createApp(
  services: Services,
  uploads: Uploads,
  log: Logger,
  development: express.RequestHandler | undefined,
  /** In production the build itself: given as a function, its routes would be ranked anew for every request. */
  build: ServerBuild | (() => Promise<ServerBuild>),
): Express {
  const { settings } = services
  const app = express()
  app.disable('x-powered-by')
  app.set('trust proxy', settings.trustedProxies)
  app.use(inThreeLines())
  const https = settings.publicAddress?.startsWith('https:') ?? false
  app.use(safeHeaders({ https, developing: development !== undefined }))
  app.use(requestLog(log))
  app.use(soundRequests, boundedBodies, paced(services.paces))
  app.use(commandRoutes(services))
  app.use(liveRoutes(services))
  app.use(materialRoutes(services, uploads))
  app.use(compression())
  if (development) app.use(development)
  else {
    // Compressed when they were built; small ones are not.
    const serveStatic = { immutable: true, maxAge: '1y' }
    app.use(
      '/assets',
      compressedFiles('build/client/assets', { enableBrotli: true, orderPreference: ['br'], serveStatic }),
    )
    app.use(besidePages('build/client'))
  }
  // Whatever is made for somebody is kept by nobody on the way, nor shown to who uses the browser next.
  app.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store')
    next()
  })
  app.use((request, response, next) => {
    const reads = request.method === 'GET' || request.method === 'HEAD'
    if (reads || sameOrigin(request.headers, settings.publicAddress)) next()
    else response.status(403).type('text/plain').send('This form was sent from another site.')
  })
  app.use(
    createRequestHandler({
      build,
      getLoadContext: (request, response) => {
        const context = new RouterContextProvider()
        context.set(nonceContext, nonceOf(response))
        context.set(servicesContext, services)
        context.set(addressContext, request.ip ?? 'unknown')
        return context
      },
    }),
  )
  app.use(sendersFault)
  app.use(((error, _request, response, _next) => {
    log.error({ error: errorFacts(error) }, 'a request failed')
    if (response.headersSent) response.destroy()
    else
      response
        .status(500)
        .type('text/plain')
        .send('Something went wrong here. Nothing was changed; please try again.')
  }) satisfies express.ErrorRequestHandler)
  return app
}

/** Files that stand beside the pages, by the names they have at start: the disk is not asked for every page anew. */
function besidePages(folder: string): express.RequestHandler {
  const files = readdirSync(folder, { withFileTypes: true }).filter(entry => entry.isFile())
  const paths = new Set(files.map(({ name }) => `/${name}`))
  const serve = express.static(folder, { maxAge: '1h' })
  return (request, response, next) => (paths.has(request.path) ? serve(request, response, next) : next())
}

function upgrade(services: Services, request: IncomingMessage, socket: Duplex, head: Buffer): void {
  socket.on('error', () => socket.destroy())
  const address = callerOf(request, services.settings.trustedProxies)
  acceptSocket(services, request, socket, head, address).catch(error => {
    services.log.error({ error: errorFacts(error) }, 'a socket could not be opened')
    socket.destroy()
  })
}
