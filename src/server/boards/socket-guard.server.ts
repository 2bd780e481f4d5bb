/** What a board socket may ask for before it is closed; looked at before the sync server sees a message. */
import { createDecoder, readVarString } from 'lib0/decoding'
import type { WebSocket } from 'ws'

/** Boards that may be named on one socket: a participant's are opened one after another, a facilitator looks into all rooms. */
const MOST_BOARDS = { participant: 20, facilitator: 300 }
/** Time to open the first board, in milliseconds. */
const SILENT_MS = 15_000
/**
 * Messages that may come at once, and then a second. Somebody who types sends some twenty a second, and every browser echoes
 * the cursors it hears of: in a room of thirty that is hundreds from each.
 */
const MOST_AT_ONCE = 4_000
const MOST_A_SECOND = 1_000
/** What may wait to be sent to somebody who does not read, in bytes: a few of the largest boards. */
const MOST_UNREAD = 16_000_000

export interface SocketGuard {
  /** A board was opened: the socket is somebody's who works. */
  opened(): void
}

/**
 * Watches what comes over a socket. Must be put to it before the sync server is, whose listener is taken away together with
 * all others when too much comes: what had come already is then not looked at any more.
 */
export function guardSocket(
  webSocket: WebSocket,
  who: keyof typeof MOST_BOARDS,
  onClosed: (why: string) => void,
): SocketGuard {
  const boards = new Set<string>()
  let left = MOST_AT_ONCE
  let since = performance.now()
  const close = (why: string) => {
    webSocket.removeAllListeners('message')
    onClosed(why)
    webSocket.close(1008, why)
    // Whoever does not read would not answer the closing either.
    setTimeout(() => webSocket.terminate(), 1_000).unref()
  }
  const silent = setTimeout(() => close('no board was opened'), SILENT_MS)
  silent.unref()
  webSocket.once('close', () => clearTimeout(silent))
  webSocket.on('message', (message: Buffer) => {
    const now = performance.now()
    left = Math.min(MOST_AT_ONCE, left + ((now - since) / 1000) * MOST_A_SECOND) - 1
    since = now
    if (left < 0) return close('too many messages')
    if (webSocket.bufferedAmount > MOST_UNREAD) return close('what was sent is not read')
    const board = boardOf(message)
    if (board === null) return close('no message of a board')
    boards.add(board)
    if (boards.size > MOST_BOARDS[who]) close('too many boards')
  })
  return { opened: () => clearTimeout(silent) }
}

/** The board a message is about; null for what is none. */
function boardOf(message: Buffer): string | null {
  try {
    const name = readVarString(createDecoder(message))
    return name.length <= 64 ? name : null
  } catch {
    return null
  }
}
