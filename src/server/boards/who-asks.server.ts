/** Who is at the other end of a board's socket, and what they may do. */
import type { Connection } from '@hocuspocus/server'
import type { DocumentName } from '~/core/boards/document-name'
import { areHiddenCards } from '~/core/boards/hidden'
import { mayWriteOn } from '~/core/live/rights/writers'
import { boardOf } from '~/core/live/rooms/room'
import { mayRead } from '~/core/live/rooms/whereabouts'
import type { LiveState } from '~/core/live/topics'
import type { Allowance } from '../http/allowance.server'
import type { SocketGuard } from './socket-guard.server'

/** Who is at the other end of a socket, as the server found out from its cookies. */
export interface SocketUser {
  /** One for each person, to count their sockets by. */
  key: string
  /** The account of a facilitator; null for participants. */
  accountId: string | null
  /** The participant this browser is in a session; null when it has no place there. */
  participantIn(sessionId: string): string | null
}

/** What is known of a socket's connection to one board. */
export interface ConnectionContext {
  user: SocketUser
  guard: SocketGuard
  sessionId?: string
  /** The copy the document is, or lies beside. */
  copyId?: string
  /** In whose name they write: a participant's id, or the account of a facilitator who has joined in. Null for one who looks on. */
  participantId?: string | null
  /** The number they write under. */
  writer?: number | null
  /** What they have asked of this board. */
  questions?: Allowance
}

/** Whoever was let in to write may write still, and whoever was let in to read may read. */
export const mayStay = (
  state: LiveState,
  participantId: string,
  copyId: string,
  { readOnly }: Connection,
): boolean => (readOnly ? mayRead(state, participantId, copyId) : mayWriteOn(state, participantId, copyId))

/** Whether somebody may write beside a copy: in their own name, under cards that are not seen at once. */
export function mayWriteBeside(
  state: LiveState,
  participantId: string,
  { copyId, own }: DocumentName,
): boolean {
  const room = state.rooms.find(each => each.copyId === copyId)
  if (!room || own === null) return false
  const prompt = boardOf(state, room).prompts.find(({ id }) => id === own.promptId)
  return own.participantId === participantId && prompt !== undefined && areHiddenCards(prompt)
}

/** Hocuspocus passes `reason` on to the browser. */
export const refusal = () =>
  Object.assign(new Error('This board is closed for you.'), { code: 4403, reason: 'closed' })

/** The number a browser says it writes under; null when it has none yet. */
export const numberIn = (token: string): number | null => (/^\d{1,10}$/.test(token) ? Number(token) : null)
