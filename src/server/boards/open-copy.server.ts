import { isDeepStrictEqual } from 'node:util'
import { type Connection, type Document, OutgoingMessage } from '@hocuspocus/server'
import type { Logger } from 'pino'
import * as Y from 'yjs'
import type { BoardNotice } from '~/contracts/live'
import type { Board, Prompt } from '~/core/boards/board'
import type { DocumentName } from '~/core/boards/document-name'
import type { Mend } from '~/core/boards/prompts/kind'
import { rootsOf } from '~/core/boards/prompts/kinds'
import { isIn } from '~/core/boards/touched'
import { type Look, lookAt } from '~/core/boards/updates/look'
import { openedIn } from '~/core/live/hidden/opened'
import { notYetOpenIn } from '~/core/live/parts/parts'
import { writerName } from '~/core/live/rights/writers'
import { boardOf } from '~/core/live/rooms/room'
import type { LiveState } from '~/core/live/topics'
import { errorFacts } from '../error-facts.server'
import type { Authorship } from './authorship.server'
import type { BoardStorage } from './board-storage.server'
import type { Contribution } from './contributions.server'
import { Fullness } from './fullness.server'
import type { Writers } from './writers.server'

type Clocks = ReadonlyMap<number, number>

/** What is to become of an update: `again` asks its sender for all that is missing; `refuse` ends the line it came over. */
export type Taken = 'taken' | 'dropped' | 'again' | 'refuse'

/** A document that was opened, and all it hangs on. */
export interface Opened {
  name: DocumentName
  sessionId: string
  board: Board
  document: Document
  authorship: Authorship
  writers: Writers
  state: LiveState
  /** The time in the session, in milliseconds since 1970. */
  now(): number
}

/** Over what, or by whom, something came: whose it is stands in its context. */
type Origin = Pick<Connection, 'context'>

/**
 * A board copy that somebody has open, or what somebody writes beside it while that is hidden: what may be added to it, whose
 * that is, and how far it is on disk.
 */
export class OpenCopy {
  private readonly fullness: Fullness
  /** How far each writer has come, by the writer's number in the document: in all, in the write under way, and on disk. */
  private latest: Clocks
  private writing: Clocks
  private stored: Clocks
  /** How many of the authors everybody at the board has been told, in the order in which they were found. */
  private toldAuthors: number
  /** Which names were off the screens when its people were told of authors last. */
  private toldNames: LiveState['hiddenNames']
  /** What was written beside it is being taken in. */
  private bringingIn = false
  readonly name: DocumentName
  readonly sessionId: string
  readonly writers: Writers
  private board: Board
  private readonly document: Document
  private readonly authorship: Authorship
  private state: LiveState
  private readonly now: () => number

  constructor(
    opened: Opened,
    private readonly storage: BoardStorage,
    private readonly log: Logger,
  ) {
    this.name = opened.name
    this.sessionId = opened.sessionId
    this.writers = opened.writers
    this.board = opened.board
    this.document = opened.document
    this.authorship = opened.authorship
    this.state = opened.state
    this.now = opened.now
    this.toldNames = opened.state.hiddenNames
    const { document, authorship } = opened
    this.fullness = new Fullness(document)
    this.latest = Y.decodeStateVector(Y.encodeStateVector(document))
    this.writing = this.latest
    this.stored = this.latest
    this.toldAuthors = authorship.count
    // The sync server's own listener has passed the change on before this one works out what it was.
    document.on('update', (update: Uint8Array, origin: unknown, _doc: Y.Doc, transaction: Y.Transaction) =>
      this.keep(update, origin as Origin | null, transaction),
    )
  }

  /** The document was put away; whoever opens the board gets another. */
  get isGone(): boolean {
    return this.document.isDestroyed
  }

  /**
   * Takes in what a participant wrote, if it is what people write, goes on from what is there, is written under a number that
   * is theirs, and has room. Looking and taking in are one step: nothing comes between.
   */
  take(update: Uint8Array, connection: Origin, participantId: string): Taken {
    const look = lookAt(update, this.document)
    if (!look.ok) return this.say(look)
    if (!this.writers.mayBring(participantId, look.writers)) {
      this.log.warn({ ...this.name, participantId }, 'what was written under another’s number was not taken')
      return 'dropped'
    }
    if (!this.mayHold(look.roots)) {
      this.log.warn({ ...this.name, participantId }, 'what was written where nobody may yet was refused')
      return 'refuse'
    }
    if (look.adds && !this.fullness.hasRoom(update.byteLength)) {
      this.fullness.refused()
      this.tellIfFull()
      return 'dropped'
    }
    this.writers
      .claim(participantId, look.writers)
      .catch(error => this.log.error({ error: errorFacts(error) }, 'whose a number is could not be written'))
    Y.applyUpdate(this.document, update, connection)
    return this.putAsideNothing() ? 'taken' : 'refuse'
  }

  /** Takes in what people wrote beside it, under their own numbers, while it was hidden: of what is here already, nothing. */
  bringIn(update: Uint8Array): void {
    const missing = Y.diffUpdate(update, Y.encodeStateVector(this.document))
    if (!this.fullness.hasRoom(missing.byteLength)) {
      this.log.warn({ ...this.name }, 'what was hidden had no room')
      return
    }
    this.bringingIn = true
    try {
      Y.applyUpdate(this.document, missing)
    } finally {
      this.bringingIn = false
    }
    this.putAsideNothing()
  }

  /** Goes on with the session where nothing has changed that boards read of it. */
  goOn(state: LiveState): void {
    this.state = state
  }

  /**
   * Goes on with the session, and the board as it has it now. All that is read of the state for it is read of `noted`, the same state,
   * which takes note of it. Tells what is other than before: names of authors, and whether cards that were hidden are open now.
   */
  follow(state: LiveState, noted: LiveState): { hasOtherNames: boolean; hasOpened: boolean } {
    const openBefore = this.opened().length
    const hasOtherNames = noted.hiddenNames !== this.toldNames
    this.toldNames = noted.hiddenNames
    this.state = state
    const room = this.roomIn(noted)
    const hasOpened = this.opened(noted).length > openBefore
    if (!room || this.name.own !== null) return { hasOtherNames, hasOpened: false }
    const board = boardOf(noted, room)
    if (board !== this.board) {
      const isOther = !isDeepStrictEqual(board, this.board)
      this.board = board
      if (isOther) this.authorship.follow(board)
    }
    return { hasOtherNames, hasOpened }
  }

  /** Prompts whose cards everybody wrote alone at first, and are open now. */
  opened(state = this.state): string[] {
    const room = this.roomIn(state)
    return room ? Object.keys(openedIn(state, room.id)) : []
  }

  /** Who first wrote a piece; null when nobody is known. */
  authorOf(promptId: string, pieceId: string): string | null {
    return this.authorship.authorOf(promptId, pieceId)
  }

  private roomIn({ rooms }: LiveState) {
    return rooms.find(({ copyId }) => copyId === this.name.copyId)
  }

  /** Whether people may write there: under prompts that are open, and what is hidden beside the board. */
  private mayHold(roots: readonly string[]): boolean {
    const isUnder = (prompt: Prompt) => (root: string) => rootsOf(prompt).some(name => isIn(root, name))
    const fresh = roots.filter(root => isUntouched(this.document.share.get(root)))
    if (fresh.length === 0) return true
    if (this.name.own !== null)
      return fresh.every(root => this.board.prompts.some(prompt => isUnder(prompt)(root)))
    const room = this.roomIn(this.state)
    const shut = room ? notYetOpenIn(this.state, room) : []
    return !fresh.some(root => shut.some(prompt => isUnder(prompt)(root)))
  }

  /** The message that asks a browser for everything that is missing here. */
  question(): Uint8Array {
    return new OutgoingMessage(this.document.name)
      .createSyncMessage()
      .writeFirstSyncStepFor(this.document)
      .toUint8Array()
  }

  writeBegins(): void {
    this.writing = this.latest
  }

  written(): void {
    this.stored = this.writing
  }

  /** What everybody at the board is to be told once: what is on disk now, and who wrote the pieces that are new. */
  news(state: LiveState): string {
    const from = this.toldAuthors
    this.toldAuthors = this.authorship.count
    return JSON.stringify(this.notice(state, from))
  }

  /** What somebody who has just come is told: all of it, and the number they write under. */
  greeting(state: LiveState, writer: number | null): string {
    return JSON.stringify({
      ...this.notice(state, 0),
      ...(writer !== null && { writer }),
    } satisfies BoardNotice)
  }

  private say({ why }: Extract<Look, { ok: false }>): Taken {
    if (why !== 'incomplete') this.log.warn({ ...this.name, why }, 'what was sent to a board was refused')
    return why === 'incomplete' ? 'again' : 'refuse'
  }

  /** Whatever would have to wait for something else has been refused; should anything wait all the same, it is let go. */
  private putAsideNothing(): boolean {
    const { store } = this.document
    if (store.pendingStructs === null && store.pendingDs === null) return true
    store.pendingStructs = null
    store.pendingDs = null
    return false
  }

  /** Stores a change before anything else; whose work it is comes after, and whatever happens there, it is stored. */
  private keep(update: Uint8Array, origin: Origin | null, transaction: Y.Transaction): void {
    const { participantId } = (origin?.context ?? {}) as { participantId?: string | null }
    const contributions: Contribution[] = []
    this.storage.append({ document: this.document.name, update, contributions })
    this.latest = transaction.afterState
    this.fullness.grew(update.byteLength)
    try {
      const { ownerOf } = this.writers
      // Whose it is that was written beside the board is known by the numbers; that it was written is on record already.
      const senderId = this.bringingIn ? '' : (participantId ?? null)
      const done = this.authorship.contributionsOf(transaction, senderId, this.now(), ownerOf)
      if (!this.bringingIn) contributions.push(...done)
      if (senderId !== null) mend(this.document, this.authorship.mends(), origin)
      this.putBack()
    } catch (error) {
      this.log.error({ error: errorFacts(error) }, 'who wrote what could not be worked out')
    }
    if (this.fullness.isNear()) this.tellIfFull()
  }

  /** In nobody's name: what stood there before stands there again. */
  private putBack(): void {
    const putBacks = this.authorship.putBacks()
    if (putBacks.length === 0) return
    this.log.warn({ ...this.name }, 'what was written in another’s place was put back')
    this.document.transact(() => {
      for (const putBack of putBacks) putBack()
    })
  }

  /** When it is really full, or something had no room, its writers are told, and again when it has room. */
  private tellIfFull(): void {
    if (!this.fullness.turned()) return
    const { full } = this.fullness
    this.log.warn({ ...this.name, full }, 'a board is full, or has room again')
    this.document.broadcastStateless(JSON.stringify({ stored: {}, full } satisfies BoardNotice))
  }

  /** What of it is on disk, and who wrote its pieces but for the first `from` of them. */
  private notice(state: LiveState, from: number): BoardNotice {
    const names = this.authorship
      .authors(from)
      .map(([entry, writerId]) => [entry, writerName(state, writerId)])
    return {
      stored: Object.fromEntries(this.stored),
      ...(this.fullness.full && { full: true }),
      ...(names.length > 0 && { authors: Object.fromEntries(names) }),
    }
  }
}

/** Nothing has ever been written there. */
const isUntouched = (type: Pick<Y.AbstractType<never>, '_start' | '_map'> | undefined): boolean =>
  type === undefined || (type._start === null && type._map.size === 0)

/** Puts ids right that are none, or somebody else's, in the name of whoever wrote them: what is said about a piece hangs on its id. */
function mend(document: Y.Doc, mends: Mend[], origin: unknown): void {
  if (mends.length === 0) return
  document.transact(() => {
    for (const { piece, id } of mends) piece.set('id', id)
  }, origin)
}
