import { eq } from 'drizzle-orm'
import type { Board } from '~/core/boards/board'
import { readDocumentName } from '~/core/boards/document-name'
import { mayWriteOn } from '~/core/live/rights/writers'
import { mayRead } from '~/core/live/rooms/whereabouts'
import type { Database } from '../db/database.server'
import { boardCopies } from '../db/schema.server'
import type { LiveHub } from '../live/hub.server'
import { readBoard } from './boards.server'
import { mayWriteBeside, numberIn, refusal, type SocketUser } from './who-asks.server'
import { handOutNumber } from './writers.server'

/** The session of a board's copy, and the board as it was when the copy was made; undefined where there is none. */
export async function copyOf(
  db: Database,
  copyId: string,
): Promise<{ sessionId: string; board: Board } | undefined> {
  const [copy] = await db.select().from(boardCopies).where(eq(boardCopies.id, copyId))
  return copy && { sessionId: copy.sessionId, board: readBoard(copy.board) }
}

/** As what somebody is let in to a board: to write under a number, or, without one, to look on. */
interface Admitted {
  sessionId: string
  copyId: string
  /** In whose name: a participant's id, or the account of a facilitator who has joined in; null of one who looks on. */
  participantId: string | null
  writer: number | null
}

/** Lets somebody in to a document of a board; `token` is the number their browser says it writes under. Throws a refusal. */
export async function admit(
  db: Database,
  hub: LiveHub,
  documentName: string,
  { accountId, participantIn }: SocketUser,
  token: string,
): Promise<Admitted> {
  const name = readDocumentName(documentName)
  const copy = name && (await copyOf(db, name.copyId))
  if (!name || !copy) throw refusal()
  const { copyId, own } = name
  const { sessionId } = copy
  const state = await hub.state(sessionId)
  const joins = accountId !== null && mayWriteOn(state, accountId, copyId)
  if (accountId !== null && !joins && own === null)
    return { sessionId, copyId, participantId: null, writer: null }
  const participantId = joins ? accountId : participantIn(sessionId)
  if (!participantId || !(joins || mayRead(state, participantId, copyId))) throw refusal()
  if (own !== null && !mayWriteBeside(state, participantId, name)) throw refusal()
  if (!mayWriteOn(state, participantId, copyId)) return { sessionId, copyId, participantId, writer: null }
  const writer = await handOutNumber(db, copyId, participantId, numberIn(token))
  if (writer === null) throw refusal()
  return { sessionId, copyId, participantId, writer }
}
