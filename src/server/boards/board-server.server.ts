/**
 * The socket side of the boards. Who may open a copy is decided here from the cookie that comes with the socket and
 * the state of the session, on opening and again whenever the session changes: somebody who is moved loses the old
 * room's board at once. A participant's word is taken for nothing but the text they write.
 */
import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import { type Connection, type Document, Hocuspocus } from '@hocuspocus/server'
import { eq } from 'drizzle-orm'
import type { Logger } from 'pino'
import { WebSocketServer } from 'ws'
import * as Y from 'yjs'
import type { BoardNotice } from '~/contracts/live'
import type { Board } from '~/core/boards/board'
import type { LiveState } from '~/core/live/state'
import { mayWorkOn } from '~/core/live/views'
import type { Database } from '../db/database.server'
import { boardCopies } from '../db/schema.server'
import { errorFacts } from '../error-facts.server'
import type { LiveHub } from '../live/hub.server'
import { Authorship } from './authorship.server'
import { BoardStorage, type Contribution, readContributions } from './board-storage.server'
import { BoardWork } from './board-work.server'
import { isHarmless } from './message-check.server'

/** Who is at the other end of a socket, as the server found out from its cookies. */
export interface SocketUser {
  isFacilitator: boolean
  /** The participant this browser is in a session; null when it has no place there. */
  participantIn(sessionId: string): Promise<string | null>
}

interface ConnectionContext {
  user: SocketUser
  sessionId?: string
  /** Null for a facilitator, who looks on. */
  participantId?: string | null
}

interface OpenCopy {
  sessionId: string
  authorship: Authorship
  bytes: number
  /** Who has written what no write has begun to store, and who waits for the write that is under way. */
  unstored: Set<Connection>
  waiting: Set<Connection>
  /** What of each writer the write under way holds, by the writer's number in the document. */
  clocks: Record<string, number>
  /** How many of the authors everybody at the board has been told, in the order in which they were found. */
  toldAuthors: number
  tellingAuthors: boolean
}

/** Largest message and largest board, in bytes. */
const LARGEST_MESSAGE = 1_000_000
const LARGEST_BOARD = 4_000_000
/** Lanes need not hear of every keystroke: at most one message in this time, in milliseconds. */
const TELL_EVERY_MS = 400
/** Names beside new cards may come this much after the cards, in milliseconds. */
const TELL_AUTHORS_AFTER_MS = 250

export class BoardServer {
  readonly work: BoardWork
  private readonly storage: BoardStorage
  private readonly hocuspocus: Hocuspocus
  private readonly sockets = new WebSocketServer({ noServer: true, maxPayload: LARGEST_MESSAGE })
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
  }

  /** Takes over a socket that asked for the boards; the caller has checked where it comes from. */
  accept(request: IncomingMessage, socket: Duplex, head: Buffer, user: SocketUser): void {
    this.sockets.handleUpgrade(request, socket, head, webSocket => {
      webSocket.on('error', () => webSocket.close())
      this.hocuspocus.handleConnection(webSocket, request, { user } satisfies ConnectionContext)
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
        const participantId = await user.participantIn(copy.sessionId)
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
        const { sessionId, participantId } = context as ConnectionContext
        const copy = this.open.get(documentName)
        if (!copy || !sessionId) return
        const state = await this.hub.state(sessionId)
        // The session may have moved on between the question and the answer.
        if (participantId && !mayWorkOn(state, participantId, documentName)) connection.close()
        else notify(connection, authorsNotice(copy, state))
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
    return copy
  }

  /** Listens to a document that was just loaded. The listener runs with the change, so nobody else's can slip between. */
  private async watch(copyId: string, document: Document): Promise<void> {
    const copy = await this.copyOf(copyId)
    if (!copy) return
    const { sessionId, board } = copy
    const authorship = new Authorship(copyId, document, board, await readContributions(this.db, [copyId]))
    const size = Y.encodeStateAsUpdate(document).byteLength
    const opened: OpenCopy = {
      sessionId,
      authorship,
      bytes: size,
      unstored: new Set(),
      waiting: new Set(),
      clocks: {},
      toldAuthors: authorship.authors.size,
      tellingAuthors: false,
    }
    this.open.set(copyId, opened)
    // The sync server's own listener has passed the change on before this one works out what it was.
    document.on('update', (update: Uint8Array, origin: unknown, _doc: Y.Doc, transaction: Y.Transaction) => {
      const context = (origin as Connection | null)?.context as ConnectionContext | undefined
      const contributions = context?.participantId
        ? opened.authorship.contributionsOf(transaction, context.participantId, Date.now())
        : []
      this.storage.append({ copyId, update, contributions })
      this.tellAuthors(copyId, document, opened)
      const writer = origin as Connection | null
      if (writer?.context) opened.unstored.add(writer)
      opened.bytes += update.byteLength
      if (opened.bytes > LARGEST_BOARD) this.closeOversized(copyId, origin)
    })
  }

  /** Tells everybody at a board who wrote the pieces that are new, those of a short time together. */
  private tellAuthors(copyId: string, document: Document, copy: OpenCopy): void {
    if (copy.tellingAuthors || copy.authorship.authors.size === copy.toldAuthors) return
    copy.tellingAuthors = true
    setTimeout(async () => {
      try {
        const state = await this.hub.state(copy.sessionId)
        if (this.open.get(copyId) !== copy) return
        const from = copy.toldAuthors
        copy.toldAuthors = copy.authorship.authors.size
        document.broadcastStateless(JSON.stringify(authorsNotice(copy, state, from)))
      } catch (error) {
        this.log.error({ error: errorFacts(error) }, 'a board could not be told who wrote what')
      } finally {
        copy.tellingAuthors = false
      }
    }, TELL_AUTHORS_AFTER_MS).unref()
  }

  private closeOversized(copyId: string, origin: unknown): void {
    this.log.warn({ copyId }, 'a board has grown too large; its writer was disconnected')
    const connection = origin as Connection | null
    if (connection?.context) connection.readOnly = true
  }

  private beforeWrite(copyIds: Set<string>): void {
    for (const copyId of copyIds) {
      const document = this.hocuspocus.documents.get(copyId)
      const copy = this.open.get(copyId)
      if (!document || !copy) continue
      copy.waiting = copy.unstored
      copy.unstored = new Set()
      copy.clocks = Object.fromEntries(Y.decodeStateVector(Y.encodeStateVector(document)))
    }
  }

  private afterWrite(copyIds: Set<string>, contributions: Contribution[]): void {
    this.work.add(contributions)
    for (const copyId of copyIds) {
      const copy = this.open.get(copyId)
      if (!copy) continue
      for (const connection of copy.waiting) notify(connection, { type: 'stored', clocks: copy.clocks })
      this.tellLanes(copy.sessionId, copyId)
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

/** Hocuspocus passes `reason` on to the browser. */
const refusal = () =>
  Object.assign(new Error('This board is closed for you.'), { code: 4403, reason: 'closed' })

const notify = (connection: Connection, notice: BoardNotice) =>
  connection.sendStateless(JSON.stringify(notice))

/** Who wrote the pieces of a board, but for the first `from` of them. */
function authorsNotice(copy: OpenCopy, state: LiveState, from = 0): BoardNotice {
  const names = [...copy.authorship.authors]
    .slice(from)
    .map(([entry, participantId]) => [entry, state.participants[participantId]?.shownName ?? ''])
  return { type: 'authors', authors: Object.fromEntries(names) }
}
