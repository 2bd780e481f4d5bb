/**
 * The socket side of the boards. Who may open a copy is decided here from the cookie that comes with the socket and
 * the state of the session, on opening and again whenever the session changes: somebody who is moved loses the old
 * room's board at once. A participant's word is taken for nothing but the text they write.
 */
import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import { setImmediate } from 'node:timers/promises'
import { type Connection, type Document, Hocuspocus } from '@hocuspocus/server'
import { eq } from 'drizzle-orm'
import type { Logger } from 'pino'
import { WebSocketServer } from 'ws'
import * as Y from 'yjs'
import type { BoardNotice } from '~/contracts/live'
import type { Board } from '~/core/boards/board'
import type { Mend } from '~/core/boards/prompts/kind'
import { mayWorkOn } from '~/core/live/rooms/rooms'
import type { LiveState } from '~/core/live/topics'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { boardCopies } from '../db/schema.server'
import { errorFacts } from '../error-facts.server'
import { ConnectionCounts } from '../http/connection-counts.server'
import type { LiveHub } from '../live/hub.server'
import { Authorship } from './authorship.server'
import { BoardStorage, type Contribution, readContributions } from './board-storage.server'
import { BoardWork } from './board-work.server'
import { readBoard } from './boards.server'
import { isHarmless } from './message-check.server'
import { guardSocket, type SocketGuard } from './socket-guard.server'

/** Who is at the other end of a socket, as the server found out from its cookies. */
export interface SocketUser {
  /** One for each person, to count their sockets by. */
  key: string
  isFacilitator: boolean
  /** The participant this browser is in a session; null when it has no place there. */
  participantIn(sessionId: string): string | null
}

interface ConnectionContext {
  user: SocketUser
  guard: SocketGuard
  sessionId?: string
  /** Null for a facilitator, who looks on. */
  participantId?: string | null
}

type Clocks = ReadonlyMap<number, number>

interface OpenCopy {
  sessionId: string
  authorship: Authorship
  /** At most this large, in bytes: what was measured last, and every change since. */
  bytes: number
  /** How large it was when it was last measured, and when that was. */
  measured: number
  measuredAt: number
  /** Nothing more may be added. Everybody at the board is told before it is so full that writers are refused. */
  full: boolean
  /** How far each writer has come, by the writer's number in the document: in all, in the write under way, and on disk. */
  latest: Clocks
  writing: Clocks
  stored: Clocks
  /** How many of the authors everybody at the board has been told, in the order in which they were found. */
  toldAuthors: number
}

/** Largest message and largest board, in bytes. */
const LARGEST_MESSAGE = 1_000_000
const LARGEST_BOARD = 4_000_000
/** From here on a board is full: what is on its way still goes in, and nothing more is begun. In bytes. */
const FULL_FROM = 3_500_000
/** A board near its limit is measured anew after it has changed by so much, in bytes: measuring reads all of it. */
const MEASURE_EVERY = 100_000
/** And a full one, when something changes, at most this often, in milliseconds. */
const MEASURE_FULL_MS = 2_000
/** Lanes need not hear of every keystroke: at most one message in this time, in milliseconds. */
const TELL_EVERY_MS = 400

export class BoardServer {
  readonly work: BoardWork
  private readonly storage: BoardStorage
  private readonly hocuspocus: Hocuspocus
  private readonly sockets = new WebSocketServer({ noServer: true, maxPayload: LARGEST_MESSAGE })
  private readonly counts = new ConnectionCounts()
  private readonly open = new Map<string, OpenCopy>()
  private readonly toTell = new Map<string, Set<string>>()

  constructor(
    private readonly db: Database,
    private readonly hub: LiveHub,
    private readonly log: Logger,
  ) {
    this.work = new BoardWork(db)
    this.storage = new BoardStorage(
      db,
      (copyIds, contributions) => this.afterWrite(copyIds, contributions),
      copyIds => this.beforeWrite(copyIds),
      error =>
        this.log.error({ error: errorFacts(error) }, 'board changes could not be written; trying again'),
    )
    this.hocuspocus = this.createHocuspocus()
    hub.onChange((sessionId, state) => this.closeForbidden(sessionId, state))
    hub.onLetGo(sessionId => this.work.forget(sessionId))
  }

  /** Takes over a socket that asked for the boards; the caller has checked where it comes from and whose it is. */
  accept(request: IncomingMessage, socket: Duplex, head: Buffer, user: SocketUser, address: string): void {
    const letGo = this.counts.admit(user.key, address)
    if (!letGo) {
      socket.destroy()
      return
    }
    socket.once('close', letGo)
    this.sockets.handleUpgrade(request, socket, head, webSocket => {
      webSocket.on('error', () => webSocket.close())
      const who = user.isFacilitator ? 'facilitator' : 'participant'
      const guard = guardSocket(webSocket, who, why => this.log.warn({ why }, 'a board socket was closed'))
      this.hocuspocus.handleConnection(webSocket, request, { user, guard } satisfies ConnectionContext)
    })
  }

  /** A copy's document as it is on disk, for reading. */
  async read(copyId: string): Promise<Y.Doc> {
    const doc = new Y.Doc()
    const update = await this.storage.load(copyId)
    if (update) Y.applyUpdate(doc, update)
    return doc
  }

  /** Closes every socket and waits until all changes are on disk. */
  async stop(): Promise<void> {
    for (const client of this.sockets.clients) client.close(1001, 'The server is stopping.')
    await this.storage.settled()
  }

  private createHocuspocus(): Hocuspocus {
    return new Hocuspocus({
      quiet: true,
      // Every change is stored as it comes; there is nothing to store later.
      debounce: 0,
      onAuthenticate: async ({ documentName, context, connectionConfig }) => {
        const { user } = context as ConnectionContext
        const copy = await this.copyOf(documentName)
        if (!copy) throw refusal()
        if (user.isFacilitator) {
          connectionConfig.readOnly = true
          return { sessionId: copy.sessionId, participantId: null }
        }
        const participantId = user.participantIn(copy.sessionId)
        const state = await this.hub.state(copy.sessionId)
        if (!participantId || !mayWorkOn(state, participantId, documentName)) throw refusal()
        return { sessionId: copy.sessionId, participantId }
      },
      onLoadDocument: async ({ documentName, document }) => {
        const update = await this.storage.load(documentName)
        if (update) Y.applyUpdate(document, update)
      },
      afterLoadDocument: ({ documentName, document }) => this.watch(documentName, document),
      connected: async ({ connection, context, documentName }) => {
        const { sessionId, participantId, guard } = context as ConnectionContext
        guard.opened()
        const copy = this.open.get(documentName)
        if (!copy || !sessionId) return
        const state = await this.hub.state(sessionId)
        // The session may have moved on between the question and the answer.
        if (participantId && !mayWorkOn(state, participantId, documentName)) connection.close()
        else connection.sendStateless(noticeOf(copy, state))
      },
      beforeHandleMessage: async ({ update, document, context }) => {
        const { participantId } = context as ConnectionContext
        if (!isHarmless(update, document.awareness, participantId ?? null)) throw refusal()
      },
      afterUnloadDocument: async ({ documentName }) => {
        // It may have been opened again while this one was being put away.
        if (!this.hocuspocus.documents.has(documentName)) this.open.delete(documentName)
      },
    })
  }

  private async copyOf(copyId: string): Promise<{ sessionId: string; board: Board } | undefined> {
    const [copy] = await this.db.select().from(boardCopies).where(eq(boardCopies.id, copyId))
    return copy && { sessionId: copy.sessionId, board: readBoard(copy.board) }
  }

  /** Listens to a document that was just loaded. The listener runs with the change, so nobody else's can slip between. */
  private async watch(copyId: string, document: Document): Promise<void> {
    const copy = await this.copyOf(copyId)
    if (!copy) return
    const { sessionId, board } = copy
    const authorship = new Authorship(copyId, document, board, await readContributions(this.db, [copyId]))
    const size = Y.encodeStateAsUpdate(document).byteLength
    const clocks = Y.decodeStateVector(Y.encodeStateVector(document))
    const opened: OpenCopy = {
      sessionId,
      authorship,
      bytes: size,
      measured: size,
      measuredAt: 0,
      full: size > FULL_FROM,
      latest: clocks,
      writing: clocks,
      stored: clocks,
      toldAuthors: authorship.count,
    }
    this.open.set(copyId, opened)
    // The sync server's own listener has passed the change on before this one works out what it was.
    document.on('update', (update: Uint8Array, origin: unknown, _doc: Y.Doc, transaction: Y.Transaction) => {
      const context = (origin as Connection | null)?.context as ConnectionContext | undefined
      const contributions = context?.participantId
        ? opened.authorship.contributionsOf(transaction, context.participantId, serverNow())
        : []
      this.storage.append({ copyId, update, contributions })
      if (context?.participantId) mend(document, opened.authorship.mends(), origin)
      opened.latest = transaction.afterState
      opened.bytes += update.byteLength
      if (opened.bytes > FULL_FROM) this.watchSize(copyId, document, opened, origin)
    })
  }

  /**
   * Changes add up to more than a board holds: what replaced or took away something counts twice. So it is measured, and
   * when it really is full its writers are told. Who goes on regardless is not listened to any more.
   */
  private watchSize(copyId: string, document: Document, copy: OpenCopy, origin: unknown): void {
    const grown = copy.bytes - copy.measured > MEASURE_EVERY
    // A full board may have room again after very little was written: something was taken away.
    if (grown || (copy.full && serverNow() - copy.measuredAt > MEASURE_FULL_MS)) {
      copy.bytes = Y.encodeStateAsUpdate(document).byteLength
      copy.measured = copy.bytes
      copy.measuredAt = serverNow()
    }
    const full = copy.measured > FULL_FROM
    if (full !== copy.full) {
      copy.full = full
      this.log.warn({ copyId, full }, 'a board is full, or has room again')
      document.broadcastStateless(JSON.stringify({ stored: {}, full } satisfies BoardNotice))
    }
    const connection = origin as Connection | null
    if (copy.bytes > LARGEST_BOARD && connection?.context) connection.readOnly = true
  }

  private beforeWrite(copyIds: Set<string>): void {
    for (const copyId of copyIds) {
      const copy = this.open.get(copyId)
      if (copy) copy.writing = copy.latest
    }
  }

  private async afterWrite(copyIds: Set<string>, contributions: Contribution[]): Promise<void> {
    this.work.add(contributions)
    const written = [...copyIds].flatMap(copyId => {
      const copy = this.open.get(copyId)
      return copy ? [{ copyId, copy }] : []
    })
    // The next write may begin while boards are told of this one.
    for (const { copy } of written) copy.stored = copy.writing
    for (const { copyId, copy } of written) {
      this.tellLanes(copy.sessionId, copyId)
      await this.tellBoard(copyId, copy)
      // Edits that arrive meanwhile are passed on before the next board is told.
      await setImmediate()
    }
  }

  /** Tells everybody at a board in one message what is on disk and who wrote the pieces that are new. */
  private async tellBoard(copyId: string, copy: OpenCopy): Promise<void> {
    try {
      const state = await this.hub.state(copy.sessionId)
      if (this.open.get(copyId) !== copy) return
      const from = copy.toldAuthors
      copy.toldAuthors = copy.authorship.count
      this.hocuspocus.documents.get(copyId)?.broadcastStateless(noticeOf(copy, state, from))
    } catch (error) {
      this.log.error({ error: errorFacts(error) }, 'a board could not be told what is stored')
    }
  }

  private tellLanes(sessionId: string, copyId: string): void {
    const waiting = this.toTell.get(sessionId)
    if (waiting) {
      waiting.add(copyId)
      return
    }
    const copies = new Set([copyId])
    this.toTell.set(sessionId, copies)
    setTimeout(async () => {
      this.toTell.delete(sessionId)
      try {
        const rooms = await this.work.of(sessionId, await this.hub.state(sessionId), copies)
        await this.hub.tellFacilitators(sessionId, { kind: 'work', rooms })
      } catch (error) {
        this.log.error({ error: errorFacts(error) }, 'the lanes could not be told of new work')
      }
    }, TELL_EVERY_MS).unref()
  }

  private closeForbidden(sessionId: string, state: LiveState): void {
    for (const [copyId, copy] of this.open) {
      if (copy.sessionId !== sessionId) continue
      for (const connection of this.hocuspocus.documents.get(copyId)?.getConnections() ?? []) {
        const { participantId } = connection.context as ConnectionContext
        if (participantId && !mayWorkOn(state, participantId, copyId)) {
          connection.readOnly = true
          connection.close({ code: 4403, reason: 'This board is closed for you.' })
        }
      }
    }
  }
}

/** Puts ids right that are none, or somebody else's, in the name of whoever wrote them: what is said about a piece hangs on its id. */
function mend(document: Y.Doc, mends: Mend[], origin: unknown): void {
  if (mends.length === 0) return
  document.transact(() => {
    for (const { piece, id } of mends) piece.set('id', id)
  }, origin)
}

/** Hocuspocus passes `reason` on to the browser. */
const refusal = () =>
  Object.assign(new Error('This board is closed for you.'), { code: 4403, reason: 'closed' })

/** What of a board is on disk, and who wrote its pieces but for the first `from` of them. */
function noticeOf(copy: OpenCopy, state: LiveState, from = 0): string {
  const names = copy.authorship
    .authors(from)
    .map(([entry, participantId]) => [entry, state.participants[participantId]?.shownName ?? ''])
  const notice: BoardNotice = {
    stored: Object.fromEntries(copy.stored),
    ...(copy.full && { full: true }),
    ...(names.length > 0 && { authors: Object.fromEntries(names) }),
  }
  return JSON.stringify(notice)
}
