import { CALL_CLOSED, type CallMember, type CallMessage, type CallTold } from '~/contracts/call-told'
import { type Given, NOTHING_GIVEN } from '~/core/live/call/ways'
import { CallFault, type CallMedia, type CallPorts, type Pictures } from './media'

export interface CallSnapshot {
  /** `joining`: not there yet. `lost`: the line is down, and comes back by itself. `ended`: it does not, for the reason `why`. */
  line: 'joining' | 'in' | 'lost' | 'ended'
  why: 'notYours' | 'elsewhere' | 'full' | null
  you: string
  members: readonly CallMember[]
  /** What is given here. */
  given: Given
  pictures: Readonly<Record<string, Pictures>>
  /** Why something could not be switched on, in words. */
  problem: string | null
}

/** The socket of a call: the browser's, or a stand-in in tests. */
export type CallSocket = Pick<WebSocket, 'send' | 'close' | 'readyState'> & {
  onmessage: ((event: MessageEvent<string>) => void) | null
  onclose: ((event: CloseEvent) => void) | null
}

const OPEN = 1
const FIRST_WAIT_MS = 1_000
const LONGEST_WAIT_MS = 10_000
const BEFORE: CallSnapshot = {
  line: 'joining',
  why: null,
  you: '',
  members: [],
  given: NOTHING_GIVEN,
  pictures: {},
  problem: null,
}

/** Being in a call: the line to the server, by which the others are known, and the way sound and pictures go. */
export class OpenCall {
  private snapshot = BEFORE
  private readonly listeners = new Set<() => void>()
  private socket: CallSocket | null = null
  private media: CallMedia | null = null
  private retry: ReturnType<typeof setTimeout> | undefined
  private wait = FIRST_WAIT_MS
  private isLeft = false
  private giving: Promise<void> = Promise.resolve()

  constructor(
    private readonly openSocket: () => CallSocket,
    private readonly mediaOf: (ports: CallPorts) => CallMedia,
  ) {
    this.open()
  }

  getSnapshot = (): CallSnapshot => this.snapshot

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Switches something on or off; what could not be is off, and said. */
  give = (change: Partial<Given>): Promise<void> => {
    this.change({ given: { ...this.snapshot.given, ...change }, problem: null })
    // One after the other: a device is asked once, however quickly two are pressed.
    this.giving = this.giving.then(() => this.giveNow(change))
    return this.giving
  }

  private async giveNow(change: Partial<Given>): Promise<void> {
    const { media } = this
    if (!media) return
    try {
      await media.give(this.snapshot.given)
    } catch (error) {
      const off = Object.fromEntries(Object.keys(change).map(what => [what, false]))
      this.change({
        given: { ...this.snapshot.given, ...off },
        problem: error instanceof CallFault ? error.message : 'That could not be switched on.',
      })
    }
    if (media === this.media) this.say({ type: 'give', ...this.snapshot.given })
  }

  leave(): void {
    this.isLeft = true
    clearTimeout(this.retry)
    this.media?.close()
    this.socket?.close()
  }

  private open(): void {
    const socket = this.openSocket()
    this.socket = socket
    socket.onmessage = ({ data }) => this.hear(JSON.parse(data) as CallTold)
    socket.onclose = ({ code }) => {
      if (this.socket !== socket || this.isLeft) return
      this.media?.close()
      this.media = null
      const why = (['notYours', 'elsewhere', 'full'] as const).find(reason => CALL_CLOSED[reason] === code)
      const gone = { members: [], pictures: {} }
      if (why) return this.change({ ...gone, line: 'ended', why, given: NOTHING_GIVEN })
      this.change({ ...gone, line: 'lost' })
      this.retry = setTimeout(() => this.open(), this.wait)
      this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS)
    }
  }

  private hear(told: CallTold): void {
    if (told.type === 'welcome') {
      const { you, iceServers } = told
      this.wait = FIRST_WAIT_MS
      this.media = this.mediaOf({
        you,
        iceServers,
        signal: (to, signal) => this.say({ type: 'signal', to, signal }),
        pictures: (id, pictures) => this.change({ pictures: { ...this.snapshot.pictures, [id]: pictures } }),
        speaking: speaking => this.say({ type: 'speak', speaking }),
        stopped: what => this.give({ [what]: false }),
      })
      this.change({ line: 'in', you })
      // After a broken line it goes on as it was.
      if (Object.values(this.snapshot.given).some(Boolean)) this.give({})
    } else if (told.type === 'members') {
      this.change({ members: told.members })
      this.media?.with(told.members.filter(({ id }) => id !== this.snapshot.you))
    } else this.media?.hear(told.from, told.signal)
  }

  private say(message: CallMessage): void {
    if (this.socket?.readyState === OPEN) this.socket.send(JSON.stringify(message))
  }

  private change(part: Partial<CallSnapshot>): void {
    this.snapshot = { ...this.snapshot, ...part }
    for (const listener of this.listeners) listener()
  }
}
