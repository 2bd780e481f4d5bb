/**
 * The socket side of the boards. Who may open a copy is decided here from the cookie that comes with the socket and
 * the state of the session, on opening and again whenever the session changes: somebody who is moved loses the old
 * room's board at once. A participant's word is taken for nothing but the text they write.
 */
import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import { setImmediate } from 'node:timers/promises'
import { type Document, Hocuspocus } from '@hocuspocus/server'
import type { Logger } from 'pino'
import { WebSocketServer } from 'ws'
import * as Y from 'yjs'
import { type DocumentName, documentName, readDocumentName } from '~/core/boards/document-name'
import { beginSheets } from '~/core/boards/prompts/sheet/document'
import { Reading } from '~/core/live/reading'
import type { LiveState } from '~/core/live/topics'
import type { Database } from '../db/database.server'
import { errorFacts } from '../error-facts.server'
import { Allowance } from '../http/allowance.server'
import { ConnectionCounts } from '../http/connection-counts.server'
import type { LiveHub } from '../live/hub.server'
import { admit, copyOf } from './admission.server'
import { BoardStorage, type OwnWriting } from './board-storage.server'
import { BoardWork } from './board-work.server'
import type { Contribution } from './contributions.server'
import { groundOf } from './ground.server'
import { LanesTold, type WrittenListener } from './lanes-told.server'
import { lookAtMessage } from './message-look.server'
import { OpenCopy } from './open-copy.server'
import { SeenNumbers } from './seen-numbers'
import { guardSocket } from './socket-guard.server'
import { type ConnectionContext, mayStay, type SocketUser } from './who-asks.server'

/** Largest message, in bytes. */
const LARGEST_MESSAGE = 1_000_000
/** Questions for all that is missing, each of which may take reading a whole board: at once, and then a second. */
const MOST_QUESTIONS = 12
const QUESTIONS_A_SECOND = 0.5
/** A document that stays open. */
export interface HeldCopy {
  document: Y.Doc
  copy: OpenCopy
  letGo(): Promise<void>
}

export class BoardServer {
  readonly work: BoardWork
  private readonly lanes: LanesTold
  private readonly seen = new SeenNumbers()
  private readonly storage: BoardStorage
  private readonly hocuspocus: Hocuspocus
  private readonly sockets = new WebSocketServer({
    noServer: true,
    maxPayload: LARGEST_MESSAGE,
    // One message a turn of the event loop: of many that come in one piece none keeps others waiting for them all.
    allowSynchronousEvents: false,
  })
  private readonly counts = new ConnectionCounts()
  /** By the document's name. */
  private readonly open = new Map<string, OpenCopy>()
  /** What boards, and who may be at them, hang on of a session. */
  private readonly reading = new Reading()
  /** Each session as it was heard of last. */
  private readonly heard = new Map<string, LiveState>()

  constructor(
    private readonly db: Database,
    private readonly hub: LiveHub,
    private readonly log: Logger,
  ) {
    this.work = new BoardWork(db)
    this.lanes = new LanesTold(hub, this.work, log)
    this.storage = new BoardStorage(
      db,
      (documents, contributions) => this.afterWrite(documents, contributions),
      documents => this.beforeWrite(documents),
      error =>
        this.log.error({ error: errorFacts(error) }, 'board changes could not be written; trying again'),
    )
    this.hocuspocus = this.createHocuspocus()
    hub.onChange((sessionId, state) => this.hear(sessionId, state))
    hub.onLetGo(sessionId => {
      this.work.forget(sessionId)
      this.seen.forget(sessionId)
      this.heard.delete(sessionId)
    })
  }

  /** Calls the listener with the copies of a session that were written on, as often as lanes are told. */
  onWritten(listener: WrittenListener): void {
    this.lanes.onWritten(listener)
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
      const who = user.accountId !== null ? 'facilitator' : 'participant'
      const guard = guardSocket(webSocket, who, why => this.log.warn({ why }, 'a board socket was closed'))
      this.hocuspocus.handleConnection(webSocket, request, { user, guard } satisfies ConnectionContext)
    })
  }

  /**
   * A copy's document as it is on disk, for reading: with what people wrote beside it while it was hidden, as far as `mayRead`
   * lets it be read.
   */
  async read(
    copyId: string,
    mayRead: (own: Omit<OwnWriting, 'update'>) => boolean = () => true,
  ): Promise<Y.Doc> {
    const doc = new Y.Doc()
    const update = await this.storage.load(copyId)
    if (update) Y.applyUpdate(doc, update)
    for (const own of await this.storage.loadOwn(copyId)) if (mayRead(own)) Y.applyUpdate(doc, own.update)
    return doc
  }

  /** Works on a copy's document itself, open or not. What is changed there is stored and told like what people write, in nobody's name. */
  async onCopy<Value>(
    copyId: string,
    act: (doc: Y.Doc, authorOf: OpenCopy['authorOf']) => Promise<Value>,
  ): Promise<Value> {
    const { document, copy, letGo } = await this.hold({ copyId, own: null })
    try {
      return await act(document, (promptId, pieceId) => copy.authorOf(promptId, pieceId))
    } finally {
      await letGo()
    }
  }

  /** Keeps a document open until it is let go. */
  async hold(name: DocumentName): Promise<HeldCopy> {
    const direct = await this.hocuspocus.openDirectConnection(documentName(name))
    const copy = this.open.get(documentName(name))
    if (!direct.document || !copy) {
      await direct.disconnect()
      throw new Error(`The board ${name.copyId} could not be opened.`)
    }
    return { document: direct.document, copy, letGo: () => direct.disconnect() }
  }

  /** Something of somebody's was kept aside: the lanes say so. */
  cameLate(sessionId: string, copyId: string, participantId: string): void {
    this.work.addLate(copyId, participantId)
    this.lanes.tell(sessionId, copyId)
  }

  /** What lay beside a board was put on it: the lanes say so. */
  async lateChanged(sessionId: string, copyId: string): Promise<void> {
    await this.work.readLate(copyId)
    this.lanes.tell(sessionId, copyId)
  }

  /** Resolves when all changes are on disk. */
  settled(): Promise<void> {
    return this.storage.settled()
  }

  /** Closes every socket and waits until all changes are on disk. */
  async stop(): Promise<void> {
    for (const client of this.sockets.clients) client.close(1001, 'The server is stopping.')
    await this.storage.settled()
  }

  private createHocuspocus(): Hocuspocus {
    return new Hocuspocus({
      quiet: true,
      onAuthenticate: async ({ documentName, context, connectionConfig, token }) => {
        const { user } = context as ConnectionContext
        const admitted = await admit(this.db, this.hub, documentName, user, token)
        const { sessionId, copyId, participantId, writer } = admitted
        if (writer === null || participantId === null) connectionConfig.readOnly = true
        else this.comes(sessionId, copyId, writer, participantId)
        return { ...admitted, questions: new Allowance(MOST_QUESTIONS, QUESTIONS_A_SECOND) }
      },
      onLoadDocument: async ({ documentName, document }) => {
        const update = await this.storage.load(documentName)
        if (update) Y.applyUpdate(document, update)
      },
      afterLoadDocument: ({ document }) => this.watch(document),
      connected: async ({ connection, context, documentName }) => {
        const { sessionId, copyId, participantId, guard, writer } = context as ConnectionContext
        guard.opened()
        const copy = this.open.get(documentName)
        if (!copy || !sessionId || !copyId) return
        const state = this.reading.noted(await this.hub.state(sessionId))
        // The session may have moved on between the question and the answer.
        if (participantId && !mayStay(state, participantId, copyId, connection)) connection.close()
        else connection.sendStateless(copy.greeting(state, writer ?? null))
      },
      beforeHandleMessage: async ({ update, connection, context }) => {
        lookAtMessage(
          update,
          connection,
          context as ConnectionContext,
          this.open.get(connection.document.name),
        )
      },
      afterUnloadDocument: async ({ documentName }) => {
        // It may have been opened again, or be just opening, while this one was being put away.
        if (this.open.get(documentName)?.isGone) this.open.delete(documentName)
      },
    })
  }

  private comes(sessionId: string, copyId: string, writer: number, participantId: string): void {
    this.seen.add(sessionId, copyId, writer)
    for (const copy of this.open.values())
      if (copy.name.copyId === copyId) copy.writers.comesWith(writer, participantId)
  }

  /** Follows a document that was just loaded. */
  private async watch(document: Document): Promise<void> {
    const name = readDocumentName(document.name)
    const ground = name && (await groundOf(this.db, this.hub, this.seen, name, document))
    if (!ground) return
    const isNew = document.store.clients.size === 0
    const opened = new OpenCopy(ground, this.storage, this.log)
    this.open.set(document.name, opened)
    if (opened.name.own !== null) return
    // Stored like what people write, in nobody's name.
    if (isNew) document.transact(() => beginSheets(document, ground.board))
    const state = await this.hub.state(opened.sessionId)
    opened.follow(state, this.reading.noted(state))
    await this.bringIn(opened)
  }

  /** What people wrote beside a copy while it was hidden goes into it once that is open. */
  private async bringIn(copy: OpenCopy): Promise<void> {
    const opened = copy.opened()
    if (opened.length === 0) return
    const { copyId } = copy.name
    const own = (await this.storage.loadOwn(copyId)).filter(({ promptId }) => opened.includes(promptId))
    if (own.length === 0 || copy.isGone) return
    copy.bringIn(Y.mergeUpdates(own.map(({ update }) => update)))
  }

  private beforeWrite(documents: Set<string>): void {
    for (const name of documents) {
      this.open.get(name)?.writeBegins()
    }
  }

  private async afterWrite(documents: Set<string>, contributions: Contribution[]): Promise<void> {
    this.work.add(contributions)
    const written = [...documents].flatMap(document => {
      const copy = this.open.get(document)
      return copy ? [{ document, copy }] : []
    })
    // The next write may begin while boards are told of this one.
    for (const { copy } of written) copy.written()
    for (const copyId of new Set([...documents].map(name => readDocumentName(name)?.copyId ?? name))) {
      // Whoever wrote the last word may have left with it: the lanes are told all the same.
      const sessionId = this.open.get(copyId)?.sessionId ?? (await copyOf(this.db, copyId))?.sessionId
      if (sessionId) this.lanes.tell(sessionId, copyId)
    }
    for (const { document, copy } of written) {
      await this.tellBoard(document, copy)
      // What was still written beside the board when it was opened.
      const whole = copy.name.own && this.open.get(copy.name.copyId)
      if (whole && copy.opened().includes(copy.name.own?.promptId ?? ''))
        await this.bringIn(whole).catch(error => this.failedToBringIn(error))
      // Edits that arrive meanwhile are passed on before the next board is told.
      await setImmediate()
    }
  }

  private failedToBringIn(error: unknown): void {
    this.log.error({ error: errorFacts(error) }, 'what was hidden could not be shown')
  }

  /** Tells everybody at a board in one message what is on disk and who wrote the pieces that are new. */
  private async tellBoard(document: string, copy: OpenCopy): Promise<void> {
    try {
      const state = await this.hub.state(copy.sessionId)
      if (this.open.get(document) !== copy) return
      this.hocuspocus.documents.get(document)?.broadcastStateless(copy.news(state))
    } catch (error) {
      this.log.error({ error: errorFacts(error) }, 'a board could not be told what is stored')
    }
  }

  /**
   * A session has moved on: boards may be others, be closed to some, and show what was hidden. Of hundreds of answers and signals
   * boards read nothing.
   */
  private hear(sessionId: string, state: LiveState): void {
    const before = this.heard.get(sessionId)
    const isSame = before !== undefined && this.reading.isSame(before, state)
    const noted = this.reading.noted(state)
    for (const [document, copy] of this.open) {
      if (copy.sessionId !== sessionId) continue
      if (isSame) {
        copy.goOn(state)
        continue
      }
      const { hasOtherNames, hasOpened } = copy.follow(state, noted)
      if (hasOtherNames)
        this.hocuspocus.documents.get(document)?.broadcastStateless(copy.greeting(state, null))
      for (const connection of this.hocuspocus.documents.get(document)?.getConnections() ?? []) {
        const { participantId } = connection.context as ConnectionContext
        if (participantId && !mayStay(noted, participantId, copy.name.copyId, connection)) {
          connection.readOnly = true
          connection.close({ code: 4403, reason: 'This board is closed for you.' })
        }
      }
      if (hasOpened) this.bringIn(copy).catch(error => this.failedToBringIn(error))
    }
    // Last: had it failed on the way, all would be gone through again.
    this.heard.set(sessionId, state)
  }
}
