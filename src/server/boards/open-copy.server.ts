import { isDeepStrictEqual } from 'node:util'
import { type Connection, type Document, OutgoingMessage } from '@hocuspocus/server'
import type { Logger } from 'pino'
import * as Y from 'yjs'
import type { BoardNotice } from '~/contracts/live'
import type { Board } from '~/core/boards/board'
import type { Mend } from '~/core/boards/prompts/kind'
import { type Look, lookAt } from '~/core/boards/updates/look'
import type { LiveState } from '~/core/live/topics'
import { serverNow } from '../clock.server'
import { errorFacts } from '../error-facts.server'
import type { Authorship } from './authorship.server'
import type { BoardStorage, Contribution } from './board-storage.server'
import type { Writers } from './writers.server'

type Clocks = ReadonlyMap<number, number>

/** Largest board, in bytes. */
const LARGEST_BOARD = 4_000_000
/** From here on a board is full: what is on its way still goes in, and nothing more is begun. In bytes. */
const FULL_FROM = 3_500_000
/** What is so small may still be taken in on a board that is as large as can be, in bytes: something may be taken away. */
const SMALL = 2_000
const ROOM_FOR_SMALL = 200_000
/** A board near its limit is measured anew after it has changed by so much, in bytes: measuring reads all of it. */
const MEASURE_EVERY = 100_000
/** And a full one, when something changes, at most this often, in milliseconds. */
const MEASURE_FULL_MS = 2_000

/** What is to become of an update: `again` asks its sender for all that is missing; `refuse` ends the line it came over. */
export type Taken = 'taken' | 'dropped' | 'again' | 'refuse'

/** A board copy that somebody has open: what may be added to it, whose that is, and how far it is on disk. */
export class OpenCopy {
  /** At most this large, in bytes: what was measured last, and every change since. */
  private bytes: number
  private measured: number
  private measuredAt = 0
  /** Nothing more may be added. Everybody at the board is told before it is so full that nothing more is taken. */
  private full: boolean
  /** How large it was when something had no room; null once something was taken away since. */
  private refusedAt: number | null = null
  /** How far each writer has come, by the writer's number in the document: in all, in the write under way, and on disk. */
  private latest: Clocks
  private writing: Clocks
  private stored: Clocks
  /** How many of the authors everybody at the board has been told, in the order in which they were found. */
  private toldAuthors: number

  constructor(
    readonly copyId: string,
    readonly sessionId: string,
    private board: Board,
    private readonly document: Document,
    private readonly authorship: Authorship,
    readonly writers: Writers,
    private readonly storage: BoardStorage,
    private readonly log: Logger,
  ) {
    this.bytes = Y.encodeStateAsUpdate(document).byteLength
    this.measured = this.bytes
    this.full = this.bytes > FULL_FROM
    this.latest = Y.decodeStateVector(Y.encodeStateVector(document))
    this.writing = this.latest
    this.stored = this.latest
    this.toldAuthors = authorship.count
    // The sync server's own listener has passed the change on before this one works out what it was.
    document.on('update', (update: Uint8Array, origin: unknown, _doc: Y.Doc, transaction: Y.Transaction) =>
      this.keep(update, origin as Connection | null, transaction),
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
  take(update: Uint8Array, connection: Connection, participantId: string): Taken {
    const look = lookAt(update, this.document)
    if (!look.ok) return this.say(look)
    if (!this.writers.mayBring(participantId, look.writers)) {
      this.log.warn(
        { copyId: this.copyId, participantId },
        'what was written under another’s number was not taken',
      )
      return 'dropped'
    }
    if (look.adds && !this.hasRoom(update.byteLength)) {
      this.refusedAt = this.measured
      this.tellIfFull()
      return 'dropped'
    }
    this.writers
      .claim(participantId, look.writers)
      .catch(error => this.log.error({ error: errorFacts(error) }, 'whose a number is could not be written'))
    Y.applyUpdate(this.document, update, connection)
    return this.putAsideNothing() ? 'taken' : 'refuse'
  }

  /** Goes on with the board as the session has it now. */
  follow(board: Board): void {
    if (board === this.board) return
    const isOther = !isDeepStrictEqual(board, this.board)
    this.board = board
    if (isOther) this.authorship.follow(board)
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
    if (why !== 'incomplete')
      this.log.warn({ copyId: this.copyId, why }, 'what was sent to a board was refused')
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

  /** Changes add up to more than a board holds, as what replaced or took away something counts twice: so it is measured. */
  private hasRoom(more: number): boolean {
    const most = LARGEST_BOARD + (more <= SMALL ? ROOM_FOR_SMALL : 0)
    if (this.bytes + more > most) this.measure()
    return this.bytes + more <= most
  }

  private measure(): void {
    const grown = this.bytes - this.measured > MEASURE_EVERY
    // A full board may have room again after very little was written: something was taken away.
    if (!grown && serverNow() - this.measuredAt <= MEASURE_FULL_MS) return
    this.bytes = Y.encodeStateAsUpdate(this.document).byteLength
    this.measured = this.bytes
    this.measuredAt = serverNow()
  }

  /** Stores a change before anything else; whose work it is comes after, and whatever happens there, it is stored. */
  private keep(update: Uint8Array, origin: Connection | null, transaction: Y.Transaction): void {
    const { participantId } = (origin?.context ?? {}) as { participantId?: string | null }
    const contributions: Contribution[] = []
    this.storage.append({ copyId: this.copyId, update, contributions })
    this.latest = transaction.afterState
    this.bytes += update.byteLength
    try {
      const { ownerOf } = this.writers
      contributions.push(
        ...this.authorship.contributionsOf(transaction, participantId ?? null, serverNow(), ownerOf),
      )
      if (participantId) mend(this.document, this.authorship.mends(), origin)
      this.putBack()
    } catch (error) {
      this.log.error({ error: errorFacts(error) }, 'who wrote what could not be worked out')
    }
    if (this.full || this.bytes > FULL_FROM) {
      if (this.full || this.bytes - this.measured > MEASURE_EVERY) this.measure()
      this.tellIfFull()
    }
  }

  /** In nobody's name: what stood there before stands there again. */
  private putBack(): void {
    const putBacks = this.authorship.putBacks()
    if (putBacks.length === 0) return
    this.log.warn({ copyId: this.copyId }, 'what was written in another’s place was put back')
    this.document.transact(() => {
      for (const putBack of putBacks) putBack()
    })
  }

  /** When it is really full, or something had no room, its writers are told, and again when it has room. */
  private tellIfFull(): void {
    if (this.refusedAt !== null && this.measured < this.refusedAt) this.refusedAt = null
    const full = this.measured > FULL_FROM || this.refusedAt !== null
    if (full === this.full) return
    this.full = full
    this.log.warn({ copyId: this.copyId, full }, 'a board is full, or has room again')
    this.document.broadcastStateless(JSON.stringify({ stored: {}, full } satisfies BoardNotice))
  }

  /** What of it is on disk, and who wrote its pieces but for the first `from` of them. */
  private notice(state: LiveState, from: number): BoardNotice {
    const names = this.authorship
      .authors(from)
      .map(([entry, participantId]) => [entry, state.participants.get(participantId)?.shownName ?? ''])
    return {
      stored: Object.fromEntries(this.stored),
      ...(this.full && { full: true }),
      ...(names.length > 0 && { authors: Object.fromEntries(names) }),
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
