/**
 * A participant without a browser: joins by code, follows the event stream and writes on the board, through the same
 * addresses a browser uses. Fills sessions for tests, measurements and pictures.
 */
import { HocuspocusProvider, HocuspocusProviderWebsocket } from '@hocuspocus/provider'
import { createParser, type EventSourceMessage } from 'eventsource-parser'
import WebSocket from 'ws'
import * as Y from 'yjs'
import type { StreamMessage } from '~/contracts/live'
import { addCard, readCards } from '~/core/boards/prompts/cards/document'
import { sheetOf } from '~/core/boards/prompts/sheet/document'
import { answerOf, reasonOf, type YesNo } from '~/core/boards/prompts/yes-no/document'
import type { ParticipantView } from '~/core/live/views'
import { newId } from '~/server/tokens.server'

type Listener = (view: ParticipantView) => void

/** How long a participant waits for a view that fits, in milliseconds. */
const LONGEST_WAIT_MS = 60_000

export class SimulatedParticipant {
  view: ParticipantView | null = null
  /** Event ids as they came, to see that nothing is missed or repeated. */
  readonly ids: number[] = []
  private readonly listeners = new Set<Listener>()
  private readonly abort = new AbortController()
  private board: {
    provider: HocuspocusProvider
    socket: HocuspocusProviderWebsocket
    doc: Y.Doc
    copyId: string
  } | null = null

  private constructor(
    readonly address: string,
    readonly sessionId: string,
    readonly cookie: string,
  ) {}

  /** Takes a place: the name is chosen from the list when it stands there, and typed otherwise. */
  static async join(address: string, joinCode: string, shownName: string): Promise<SimulatedParticipant> {
    const names = (await (await fetch(`${address}/join/${joinCode}/names`)).json()) as {
      personId: string
      shownName: string
    }[]
    const listed = names.find(name => name.shownName === shownName)
    const form = new URLSearchParams(listed ? { personId: listed.personId } : { shownName })
    const answer = await fetch(`${address}/join/${joinCode}`, {
      method: 'POST',
      body: form,
      redirect: 'manual',
    })
    const cookie = answer.headers.getSetCookie()[0]?.split(';')[0]
    const sessionId = answer.headers.get('location')?.match(/^\/s\/([^/]+)$/)?.[1]
    if (!cookie || !sessionId) throw new Error(`${shownName} could not join: ${answer.status}`)
    return SimulatedParticipant.at(address, sessionId, cookie)
  }

  /** One who has a place already, or needs none. */
  static at(address: string, sessionId: string, cookie: string): SimulatedParticipant {
    return new SimulatedParticipant(address, sessionId, cookie)
  }

  /** Opens the event stream and resolves with the first view. */
  async follow(): Promise<ParticipantView> {
    const response = await fetch(`${this.address}/events/${this.sessionId}/participant`, {
      headers: { Cookie: this.cookie },
      signal: this.abort.signal,
    })
    if (!response.ok || !response.body) throw new Error(`The event stream was refused: ${response.status}`)
    const first = this.until(() => true)
    this.read(response.body).catch(() => undefined)
    return first
  }

  /** Resolves with the first view, from now on or already, that fits; fails when none has come for a minute. */
  until(fits: (view: ParticipantView) => boolean): Promise<ParticipantView> {
    if (this.view && fits(this.view)) return Promise.resolve(this.view)
    return new Promise((resolve, reject) => {
      const listener: Listener = view => {
        if (!fits(view)) return
        clearTimeout(limit)
        this.listeners.delete(listener)
        resolve(view)
      }
      const limit = setTimeout(() => {
        this.listeners.delete(listener)
        const { where } = this.view?.whereabouts ?? { where: 'nowhere yet' }
        reject(new Error(`A participant has waited for a minute; they are in: ${where}.`))
      }, LONGEST_WAIT_MS)
      this.listeners.add(listener)
    })
  }

  async ask(request: object): Promise<{ ok: boolean }> {
    const answer = await fetch(`${this.address}/s/${this.sessionId}/commands`, {
      method: 'POST',
      headers: { Cookie: this.cookie, 'Content-Type': 'application/json' },
      body: JSON.stringify(request),
    })
    return (await answer.json()) as { ok: boolean }
  }

  /** Opens the board of the room this participant is in. */
  async openBoard(): Promise<Y.Doc> {
    const { whereabouts } = await this.until(view => view.whereabouts.where === 'room')
    if (whereabouts.where !== 'room') throw new Error('Not in a room.')
    if (this.board?.copyId === whereabouts.copyId) return this.board.doc
    this.closeBoard()
    const doc = new Y.Doc()
    const opened = openSocket(this.address, this.cookie, whereabouts.copyId, doc)
    this.board = { ...opened, doc, copyId: whereabouts.copyId }
    await new Promise<void>(resolve => opened.provider.on('synced', () => resolve()))
    return doc
  }

  /** What a socket of this participant's own to the board of their room needs. */
  async rawLine(): Promise<{ address: string; cookie: string; copyId: string }> {
    const { whereabouts } = await this.until(view => view.whereabouts.where === 'room')
    if (whereabouts.where !== 'room') throw new Error('Not in a room.')
    return { address: this.address, cookie: this.cookie, copyId: whereabouts.copyId }
  }

  async writeCard(promptId: string, text: string): Promise<void> {
    addCard(await this.openBoard(), promptId, newId(), text)
  }

  /** Adds a paragraph to a sheet. */
  async writeParagraph(promptId: string, text: string): Promise<void> {
    const sheet = sheetOf(await this.openBoard(), promptId)
    const paragraph = new Y.XmlElement('paragraph')
    paragraph.insert(0, [new Y.XmlText(text)])
    sheet.insert(sheet.length, [paragraph])
  }

  async decide(promptId: string, answer: YesNo, reason: string): Promise<void> {
    const doc = await this.openBoard()
    doc.transact(() => {
      answerOf(doc, promptId).set('answer', answer)
      const text = reasonOf(doc, promptId)
      text.delete(0, text.length)
      text.insert(0, reason)
    })
  }

  /** What the cards under a prompt say, as this participant's board has them. */
  cards(promptId: string): string[] {
    return this.board ? readCards(this.board.doc, promptId).map(({ text }) => text) : []
  }

  closeBoard(): void {
    this.board?.provider.destroy()
    this.board?.socket.destroy()
    this.board = null
  }

  leave(): void {
    this.abort.abort()
    this.closeBoard()
  }

  private async read(body: ReadableStream<Uint8Array>): Promise<void> {
    for await (const event of eventsIn(body)) this.take(event)
  }

  private take({ id, data }: EventSourceMessage): void {
    if (id) this.ids.push(Number(id))
    const message = JSON.parse(data) as StreamMessage
    if (message.kind !== 'view' && message.kind !== 'change') return
    const view = { ...(this.view as ParticipantView), ...message.sections }
    if (message.kind === 'change' && message.added.messages) {
      view.messages = [...view.messages, ...(message.added.messages as ParticipantView['messages'])]
    }
    this.view = view
    for (const listener of [...this.listeners]) listener(this.view)
  }
}

/** The messages of an event stream, as they come. */
export async function* eventsIn(body: ReadableStream<Uint8Array>): AsyncGenerator<EventSourceMessage> {
  const came: EventSourceMessage[] = []
  const parser = createParser({ onEvent: event => came.push(event) })
  const decoder = new TextDecoder()
  for await (const chunk of body as unknown as AsyncIterable<Uint8Array>) {
    parser.feed(decoder.decode(chunk, { stream: true }))
    yield* came.splice(0)
  }
}

/** A board socket with a cookie of its own, as only a browser would otherwise send. */
export function openSocket(
  address: string,
  cookie: string,
  copyId: string,
  doc: Y.Doc,
): { provider: HocuspocusProvider; socket: HocuspocusProviderWebsocket } {
  class SocketWithCookie extends WebSocket {
    constructor(url: string) {
      super(url, { headers: { Cookie: cookie, Origin: address } })
    }
  }
  const socket = new HocuspocusProviderWebsocket({
    url: `${address.replace(/^http/, 'ws')}/boards/socket`,
    WebSocketPolyfill: SocketWithCookie,
    delay: 300,
    minDelay: 200,
    maxDelay: 2000,
  })
  const provider = new HocuspocusProvider({
    websocketProvider: socket,
    name: copyId,
    document: doc,
    token: 'cookie',
  })
  provider.attach()
  return { provider, socket }
}
