import type { CallPersonNow } from '~/contracts/call-told'
import type { Doing } from '~/contracts/doing'
import type { RoomWorkNow, StreamMessage } from '~/contracts/live'
import type { PutUpOnPage } from '~/contracts/put-up'
import { keepServerTime } from './server-clock'

export interface LiveSnapshot<View> {
  view: View
  work: Record<string, RoomWorkNow>
  /** What the others at the front are at, by account. */
  doing: Record<string, Doing>
  /** Who is in the calls of rooms, as facilitators are told. */
  calls: Record<string, CallPersonNow[]>
  /** The work that is put up on every page, as it was last told; `of` says which. */
  putUp: { of: string; now: PutUpOnPage } | null
  /** `lost` while the stream is down; it comes back by itself. */
  line: 'live' | 'lost'
}

/** How an event stream is opened: the browser's EventSource, or a stand-in in tests. */
export type OpenStream = (url: string) => Pick<EventSource, 'close' | 'readyState'> & {
  onmessage: ((event: MessageEvent<string>) => void) | null
  onerror: ((event: Event) => void) | null
  onopen: ((event: Event) => void) | null
}

const CLOSED = 2
const FIRST_WAIT_MS = 1_000
const LONGEST_WAIT_MS = 10_000

/**
 * Holds one reader's view of a session and keeps it up to date from the event stream. A broken stream is taken up
 * again by the browser, which says where it was; one the browser gave up on is opened anew here.
 */
export class LiveStore<View extends object> {
  private snapshot: LiveSnapshot<View>
  private readonly listeners = new Set<() => void>()
  private stream: ReturnType<OpenStream> | undefined
  private retry: ReturnType<typeof setTimeout> | undefined
  private wait = FIRST_WAIT_MS
  private hasHeard = false

  constructor(
    private readonly url: string,
    first: View,
    private readonly openStream: OpenStream = address => new EventSource(address),
  ) {
    this.snapshot = { view: first, work: {}, calls: {}, doing: {}, putUp: null, line: 'live' }
  }

  getSnapshot = (): LiveSnapshot<View> => this.snapshot

  /** Goes on with a view that is newer than the page, until the stream says how it stands. */
  takeUp(view: View): void {
    if (!this.hasHeard) this.change({ view })
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    if (this.listeners.size === 1) this.open()
    return () => {
      this.listeners.delete(listener)
      if (this.listeners.size === 0) this.close()
    }
  }

  private open(): void {
    const stream = this.openStream(this.url)
    this.stream = stream
    stream.onopen = () => {
      this.wait = FIRST_WAIT_MS
      this.change({ line: 'live' })
    }
    stream.onmessage = event => this.take(JSON.parse(event.data) as StreamMessage)
    stream.onerror = () => {
      this.change({ line: 'lost' })
      if (stream.readyState !== CLOSED || this.stream !== stream) return
      this.retry = setTimeout(() => this.open(), this.wait)
      this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS)
    }
  }

  private close(): void {
    clearTimeout(this.retry)
    this.stream?.close()
    this.stream = undefined
  }

  private take(message: StreamMessage): void {
    this.hasHeard = true
    if (message.kind === 'hello') keepServerTime(message.now, message.pace)
    else if (message.kind === 'put-up')
      this.change({ putUp: { of: message.of, now: message.now as PutUpOnPage } })
    else if (message.kind === 'call') this.change({ calls: message.rooms })
    else if (message.kind === 'doing') this.change({ doing: message.doing })
    else if (message.kind === 'work') this.change({ work: { ...this.snapshot.work, ...message.rooms } })
    else this.change({ view: { ...this.snapshot.view, ...message.sections, ...this.grown(message) } })
  }

  /** Lists of the view with what a message adds to their ends. */
  private grown(message: StreamMessage): Record<string, unknown[]> {
    if (message.kind !== 'change') return {}
    const held = this.snapshot.view as Record<string, unknown[] | undefined>
    return Object.fromEntries(
      Object.entries(message.added).map(([name, more]) => [
        name,
        [...(held[name] ?? []), ...(more as unknown[])],
      ]),
    )
  }

  private change(part: Partial<LiveSnapshot<View>>): void {
    if ('line' in part && part.line === this.snapshot.line) return
    this.snapshot = { ...this.snapshot, ...part }
    for (const listener of this.listeners) listener()
  }
}
