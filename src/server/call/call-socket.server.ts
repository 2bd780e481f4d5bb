import type { IncomingMessage } from 'node:http'
import type { Duplex } from 'node:stream'
import type { Logger } from 'pino'
import { type WebSocket, WebSocketServer } from 'ws'
import { callMessage } from '~/contracts/call'
import { CALL_CLOSED } from '~/contracts/call-told'
import { Allowance } from '../http/allowance.server'
import { ConnectionCounts } from '../http/connection-counts.server'
import type { LiveHub } from '../live/hub.server'
import type { CallRooms, CallUser } from './call-rooms.server'

/** Largest message, in bytes: the description of what a browser sends. */
const LARGEST_MESSAGE = 64_000
/** Messages at once, and then a second: somebody who comes in has a handful of descriptions and dozens of addresses for each of six others. */
const MOST_AT_ONCE = 600
const MOST_A_SECOND = 30
/** The same in bytes. */
const MOST_BYTES_AT_ONCE = 2_000_000
const MOST_BYTES_A_SECOND = 100_000
/** What may wait to be sent to somebody who does not read, in bytes. */
const MOST_UNREAD = 2_000_000
/** A line that says nothing for so long is asked whether it is there, and is closed when it was not since, in milliseconds. */
const ASK_EVERY_MS = 20_000

/** The sockets of the calls: what comes over them is looked at here, and handed on to who it is for. */
export class CallSockets {
  private readonly sockets = new WebSocketServer({
    noServer: true,
    maxPayload: LARGEST_MESSAGE,
    allowSynchronousEvents: false,
  })
  private readonly counts = new ConnectionCounts()

  constructor(
    private readonly hub: LiveHub,
    private readonly rooms: CallRooms,
    private readonly serversFor: (who: string) => Parameters<CallRooms['enter']>[5],
    private readonly log: Logger,
  ) {}

  /** Takes over a socket that asked for the call of a room; the caller has checked where it comes from and whose it is. */
  accept(
    request: IncomingMessage,
    socket: Duplex,
    head: Buffer,
    where: { sessionId: string; roomId: string },
    user: CallUser,
    address: string,
  ): void {
    const who = 'accountId' in user ? user.accountId : user.participantId
    const letGo = this.counts.admit(who, address)
    if (!letGo) {
      socket.destroy()
      return
    }
    socket.once('close', letGo)
    this.sockets.handleUpgrade(request, socket, head, webSocket => {
      webSocket.on('error', () => webSocket.close())
      this.open(webSocket, where, user, who).catch(() => webSocket.close(1011))
    })
  }

  stop(): void {
    for (const client of this.sockets.clients) client.close(1001, 'The server is stopping.')
  }

  private async open(
    webSocket: WebSocket,
    { sessionId, roomId }: { sessionId: string; roomId: string },
    user: CallUser,
    who: string,
  ): Promise<void> {
    const state = await this.hub.state(sessionId)
    if (webSocket.readyState !== webSocket.OPEN) return
    const line = {
      tell: (told: object) => {
        if (webSocket.bufferedAmount > MOST_UNREAD) webSocket.terminate()
        else webSocket.send(JSON.stringify(told))
      },
      close: (code: number) => webSocket.close(code),
    }
    const inCall = this.rooms.enter(sessionId, roomId, state, user, line, this.serversFor(who))
    if (typeof inCall === 'number') {
      webSocket.close(inCall)
      return
    }
    const messages = new Allowance(MOST_AT_ONCE, MOST_A_SECOND)
    const bytes = new Allowance(MOST_BYTES_AT_ONCE, MOST_BYTES_A_SECOND)
    let isThere = true
    const asking = setInterval(() => {
      if (!isThere) webSocket.terminate()
      isThere = false
      webSocket.ping()
    }, ASK_EVERY_MS)
    asking.unref()
    webSocket.on('pong', () => {
      isThere = true
    })
    webSocket.on('close', () => {
      clearInterval(asking)
      inCall.leave()
    })
    webSocket.on('message', (data: Buffer) => {
      const message =
        messages.allows(1) && bytes.allows(data.byteLength) ? callMessage.safeParse(readJson(data)) : null
      if (message?.success) return inCall.hear(message.data)
      this.log.warn({ tooMuch: message === null }, 'a call socket was closed')
      webSocket.removeAllListeners('message')
      // Not again: no page of ours sends such a thing.
      webSocket.close(CALL_CLOSED.notYours)
      inCall.leave()
    })
  }
}

/** What a message says; null for what is no JSON. */
function readJson(data: Buffer): unknown {
  try {
    return JSON.parse(data.toString('utf8'))
  } catch {
    return null
  }
}
