/** What a board socket may ask for before it is closed; looked at before the sync server sees a message. */
import { createDecoder, readVarString } from 'lib0/decoding'
import type { WebSocket } from 'ws'
import { LONGEST_DOCUMENT_NAME } from '~/core/boards/document-name'
import { Allowance } from '../http/allowance.server'

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
/** What may come at once, and then a second, in bytes: a board that was written on without a line comes back in one piece. */
const MOST_BYTES_AT_ONCE = 8_000_000
const MOST_BYTES_A_SECOND = 500_000
/** What handling messages may take of the server's thread at once, and then in a second, in milliseconds. */
const MOST_WORK_AT_ONCE = 1_000
const MOST_WORK_A_SECOND = 100
/** What may wait to be sent to somebody who does not read, in bytes: a few of the largest boards. */
const MOST_UNREAD = 16_000_000

export interface SocketGuard {
  /** A board was opened: the socket is somebody's who works. */
  opened(): void
  /** Handling a message took so long, in milliseconds. */
  took(milliseconds: number): void
  /** Something came that no page of ours sends. */
  refuse(why: string): void
  /** Whether no more is listened to. */
  readonly isClosed: boolean
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
  const messages = new Allowance(MOST_AT_ONCE, MOST_A_SECOND)
  const bytes = new Allowance(MOST_BYTES_AT_ONCE, MOST_BYTES_A_SECOND)
  const work = new Allowance(MOST_WORK_AT_ONCE, MOST_WORK_A_SECOND)
  let isClosed = false
  const close = (why: string) => {
    if (isClosed) return
    isClosed = true
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
    if (!messages.allows(1) || !bytes.allows(message.byteLength)) return close('too many messages')
    if (webSocket.bufferedAmount > MOST_UNREAD) return close('what was sent is not read')
    const board = boardOf(message)
    if (board === null) return close('no message of a board')
    boards.add(board)
    if (boards.size > MOST_BOARDS[who]) close('too many boards')
  })
  return {
    opened: () => clearTimeout(silent),
    took(milliseconds) {
      if (!work.allows(milliseconds)) close('too much work')
    },
    refuse: close,
    get isClosed() {
      return isClosed
    },
  }
}

/** The board a message is about; null for what is none. */
function boardOf(message: Buffer): string | null {
  try {
    const name = readVarString(createDecoder(message))
    return name.length <= LONGEST_DOCUMENT_NAME ? name : null
  } catch {
    return null
  }
}
