import { HocuspocusProvider, HocuspocusProviderWebsocket, WebSocketStatus } from '@hocuspocus/provider'
import * as Y from 'yjs'
import type { BoardNotice } from '~/contracts/live'
import { documentName } from '~/core/boards/document-name'
import { markRemovals } from '~/core/boards/updates/mark-removals'
import type { KeptDocument } from './kept/kept-document'

export interface BoardStatus {
  /**
   * `stored`: all of it is on disk at the server. `sending`: not yet. `away`: the line is down, writing goes on.
   * `full`: the board takes no more.
   */
  saved: 'stored' | 'sending' | 'away' | 'full'
  /** The copy has been received once and can be shown. */
  ready: boolean
  /** Nothing more can be added; something can be taken away. */
  full: boolean
  /** Not, or no longer, ours to open. */
  closed: boolean
  /** Who first wrote which piece, shown names by `prompt/entry`. */
  authors: Readonly<Record<string, string>>
}

/** After this long a line that the server closed is asked for again, in milliseconds. */
const ASK_AGAIN_MS = 1000

/**
 * Browsers complain of a socket that is closed while it opens, as when somebody only looks into a room: it is closed once open.
 * Made when it is needed, since the server knows no such class.
 */
const patientSocket = () =>
  class extends WebSocket {
    override close(code?: number, reason?: string): void {
      const close = () => super.close(code, reason)
      if (this.readyState === WebSocket.CONNECTING) this.addEventListener('open', close)
      else close()
    }
  }

/** Only where something is kept. */
const keepingCode = () => Promise.all([import('./kept/kept-document'), import('./kept/kept-store')])

/** From a participant’s page as who they are there, also where somebody is signed in on the same browser. */
const openSocket = (atPlace: boolean) =>
  new HocuspocusProviderWebsocket({
    url: `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/boards/socket${atPlace ? '?place' : ''}`,
    WebSocketPolyfill: patientSocket(),
    delay: 700,
    minDelay: 500,
    maxDelay: 8000,
  })

/**
 * One board copy in this browser: the shared document, the socket that keeps it in step, and whether what was
 * written here is on disk. The document outlives a broken line: what is written meanwhile is sent when it is back.
 */
export class BoardConnection {
  readonly doc = new Y.Doc()
  readonly provider: HocuspocusProvider
  private readonly socket: HocuspocusProviderWebsocket
  private readonly listeners = new Set<() => void>()
  /** How far the server has on disk what was written under our numbers. */
  private readonly stored = new Map<number, number>()
  /** The numbers we write under: the one the server gave us, others are refused there, and those of what was brought in. */
  private readonly numbers = new Set<number>()
  private writer: number | null = null
  /** What is written here beside the board, by prompt, until the others are to see it. */
  private readonly beside = new Map<string, BoardConnection>()
  private online = false
  private askAgain: ReturnType<typeof setTimeout> | undefined
  /** What is kept of it in this browser. */
  private kept: KeptDocument | null = null
  private isGone = false
  private status: BoardStatus = { saved: 'stored', ready: false, full: false, closed: false, authors: {} }

  /**
   * `me` is shown to the others in the room as whose cursor it is; the server refuses any other participant's id. With a session:
   * what is written is kept in this browser as one of that session. With a socket and a prompt: what is written beside the board there.
   */
  constructor(
    readonly copyId: string,
    private readonly me: { id: string } | null,
    private readonly sessionId: string | null = null,
    private readonly besides: { socket: HocuspocusProviderWebsocket; promptId: string } | null = null,
  ) {
    const own = besides && me && { promptId: besides.promptId, participantId: me.id }
    const name = documentName({ copyId, own })
    this.socket = besides?.socket ?? openSocket(sessionId !== null)
    this.online = this.socket.status === WebSocketStatus.Connected
    this.provider = new HocuspocusProvider({
      websocketProvider: this.socket,
      name,
      document: this.doc,
      onStatus: ({ status }) => {
        this.online = status === WebSocketStatus.Connected
        this.refresh()
      },
      // Who we are is in the cookie; this says which number we have, so that we go on under it.
      token: () => String(this.writer ?? ''),
      onSynced: () => this.refresh(),
      onStateless: ({ payload }) => this.hear(payload),
      onAuthenticationFailed: () => this.change({ closed: true }),
      onClose: () => this.comeBack(),
    })
    if (me) this.provider.setAwarenessField('user', me)
    this.doc.on('update', () => this.refresh())
    if (me) markRemovals(this.doc)
    if (me && sessionId !== null) this.keepIn({ sessionId, participantId: me.id }, name)
    else this.provider.attach()
  }

  /** The server is asked once it is known what is here: under which number is then written is known as well. */
  private async keepIn(whose: { sessionId: string; participantId: string }, name: string): Promise<void> {
    const about = { ...whose, copyId: this.copyId, promptId: this.besides?.promptId ?? null }
    try {
      const [{ KeptDocument }, { keptName }] = await keepingCode()
      const kept = await KeptDocument.open(keptName(name, whose.participantId), about, this.doc)
      if (this.isGone) kept?.close()
      else this.goOnWith(kept)
    } catch {
      // The code did not come: nothing is kept.
    }
    if (!this.isGone) this.provider.attach()
  }

  /** What was there when this browser last had it open is shown at once, and written on under a number of this page's own. */
  private goOnWith(kept: KeptDocument | null): void {
    this.kept = kept
    if (!kept?.before) return
    const { storedTo, authors } = kept.before
    for (const [number, clock] of Object.entries(storedTo)) {
      // What was stored then is no more to be looked after.
      if (Y.getState(this.doc.store, Number(number)) <= clock) continue
      this.numbers.add(Number(number))
      this.heardOf(Number(number), clock)
    }
    this.writeUnder(this.doc.clientID)
    this.change({ ready: true, authors })
    this.note(true)
    this.refresh()
  }

  /** Until the board is whole nothing of it is known to be kept. */
  private note(atOnce = false): void {
    if (!this.status.ready) return
    const storedTo = Object.fromEntries([...this.numbers].map(each => [each, this.stored.get(each) ?? 0]))
    this.kept?.note({ storedTo, authors: this.status.authors }, atOnce)
  }

  getStatus = (): BoardStatus => this.status

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  destroy(): void {
    this.isGone = true
    clearTimeout(this.askAgain)
    this.kept?.close()
    for (const own of this.beside.values()) own.destroy()
    this.provider.destroy()
    this.doc.destroy()
    if (!this.besides) this.socket.destroy()
  }

  /** What is written under a prompt while the others do not see it: a document of one's own. */
  own = (promptId: string): BoardConnection => {
    const known = this.beside.get(promptId)
    if (known) return known
    const opened = new BoardConnection(this.copyId, this.me, this.sessionId, {
      socket: this.socket,
      promptId,
    })
    this.beside.set(promptId, opened)
    opened.subscribe(() => this.refresh())
    return opened
  }

  /** The others are to see it: the server brings it in, and so does this page, should something not have come there yet. */
  bringIn = (promptId: string): void => {
    const own = this.beside.get(promptId)
    if (own) {
      this.beside.delete(promptId)
      const storedTo = new Map([...own.numbers].map(number => [number, own.stored.get(number) ?? 0]))
      this.takeIn(own.doc, storedTo)
      own.kept?.forget().catch(() => undefined)
      own.destroy()
    } else this.bringInKept(promptId).catch(() => undefined)
  }

  /** What was written beside the board by a page of this browser that has gone since, when the line was down. */
  private async bringInKept(promptId: string): Promise<void> {
    if (!this.me || this.sessionId === null) return
    const own = { promptId, participantId: this.me.id }
    const [{ takeKept }, { keptName }] = await keepingCode()
    const name = keptName(documentName({ copyId: this.copyId, own }), this.me.id)
    await takeKept(name, ({ doc, storedTo }) => {
      if (!this.isGone) this.takeIn(doc, storedTo)
      return !this.isGone
    })
  }

  /** Takes in what was written in this browser in another document, and how far the server has it. */
  private takeIn(doc: Y.Doc, storedTo: ReadonlyMap<number, number>): void {
    for (const [number, clock] of storedTo) {
      this.numbers.add(number)
      this.heardOf(number, clock)
    }
    Y.applyUpdate(this.doc, Y.encodeStateAsUpdate(doc))
    this.note(true)
    this.refresh()
  }

  /**
   * A broken socket is mended by itself; a board that the server closed on a socket that stands would come back only when
   * nothing has been heard for half a minute. It is asked for again: either it opens, or it is not ours any more.
   */
  private comeBack(): void {
    clearTimeout(this.askAgain)
    this.askAgain = setTimeout(() => {
      if (this.socket.status !== WebSocketStatus.Connected || this.provider.isAuthenticated) return
      this.provider.detach()
      this.provider.attach()
    }, ASK_AGAIN_MS)
  }

  private hear(payload: string): void {
    // Only the server can say this: it passes on no such message from another browser.
    const { stored, authors, full, writer } = JSON.parse(payload) as BoardNotice
    if (writer !== undefined && this.writer === null) this.writeUnder(writer)
    if (full !== undefined) this.change({ full })
    if (authors) this.change({ authors: { ...this.status.authors, ...authors } })
    for (const number of this.numbers) this.heardOf(number, stored[String(number)] ?? 0)
    this.note()
    this.refresh()
  }

  private heardOf(number: number, clock: number): void {
    this.stored.set(number, Math.max(this.stored.get(number) ?? 0, clock))
  }

  /** Nothing has been written here yet: until this is known the board does not show. The cursor goes on under the same number. */
  private writeUnder(writer: number): void {
    this.writer = writer
    this.numbers.add(writer)
    this.doc.clientID = writer
    const { awareness } = this.provider
    if (!awareness) return
    const state = awareness.getLocalState()
    awareness.setLocalState(null)
    awareness.clientID = writer
    awareness.setLocalState(state)
  }

  /** Ours is stored once the server has on disk all that this browser has written: its clocks say how much. */
  private refresh(): void {
    const isStored = [...this.numbers].every(
      number => Y.getState(this.doc.store, number) <= (this.stored.get(number) ?? 0),
    )
    const own = [...this.beside.values()].map(each => each.getStatus().saved)
    const { full } = this.status
    const ready = this.status.ready || (this.provider.isSynced && (this.me === null || this.writer !== null))
    const isNew = ready && !this.status.ready
    const saved = isStored ? 'stored' : !this.online ? 'away' : full ? 'full' : 'sending'
    this.change({ ready, saved: saved === 'stored' ? (own.find(each => each !== 'stored') ?? saved) : saved })
    if (isNew) this.note(true)
  }

  private change(part: Partial<BoardStatus>): void {
    const same = Object.entries(part).every(
      ([name, value]) => this.status[name as keyof BoardStatus] === value,
    )
    if (same) return
    this.status = { ...this.status, ...part }
    for (const listener of this.listeners) listener()
  }
}
