/** What people wrote on a board without a line, and sent when it was not theirs to write on any more: late contributions. */
import { createHash } from 'node:crypto'
import { asc, eq, inArray, sql } from 'drizzle-orm'
import * as Y from 'yjs'
import type { LateAnswer } from '~/contracts/late'
import { lookAt } from '~/core/boards/updates/look'
import { boardOf } from '~/core/live/rooms/room'
import { mayWorkOn } from '~/core/live/rooms/rooms'
import type { LiveState } from '~/core/live/topics'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { boardWriters, lateContributions } from '../db/schema.server'
import { Authorship } from './authorship.server'
import type { BoardServer } from './board-server.server'

/** Of one person on one board, and how large they may be together, in bytes. */
const MOST_OF_ONE = 40
const LARGEST_OF_ONE = 4_000_000

export interface LateContribution {
  copyId: string
  participantId: string
  at: number
  /** What its pieces say; empty for what cannot be shown as text. */
  pieces: { promptId: string; text: string }[]
}

interface Sent {
  participantId: string
  copyId: string
  /** Of what was written beside the board while that was hidden. */
  promptId: string | null
  update: Uint8Array
}

const refused = (message: string): LateAnswer => ({ ok: false, why: 'refused', message })

/**
 * Keeps aside what somebody wrote, if it is theirs, goes on from what was there, and they were in the room once. What is on the
 * board already is kept no second time, nor what is sent twice. Resolves when it is on disk.
 */
export async function keepLate(
  db: Database,
  boards: BoardServer,
  state: LiveState,
  { participantId, copyId, promptId, update }: Sent,
): Promise<LateAnswer> {
  const room = state.rooms.find(each => each.copyId === copyId)
  const numbers = await db.select().from(boardWriters).where(eq(boardWriters.copyId, copyId))
  const wroteHere = numbers.some(each => each.participantId === participantId)
  if (!room || !wroteHere) return refused('This was written on a board that you were never at.')
  if (mayWorkOn(state, participantId, copyId))
    return { ok: false, why: 'open', message: 'This board is open for you: it goes there.' }
  const doc = await boards.read(
    copyId,
    own => own.promptId === promptId && own.participantId === participantId,
  )
  try {
    const look = lookAt(update, doc)
    const owners = new Map(numbers.map(each => [each.number, each.participantId]))
    const isTheirs =
      look.ok && look.writers.every(number => (owners.get(number) ?? participantId) === participantId)
    if (!isTheirs) return refused('What was written without a line could not be read.')
    if (!look.adds) return { ok: true, kept: false }
    const digest = createHash('sha256').update(update).digest('base64url')
    if (!(await hasRoom(db, copyId, participantId, update.byteLength)))
      return refused('So much came late from you that no more of it is kept.')
    await db
      .insert(lateContributions)
      .values({
        copyId,
        participantId,
        digest,
        promptId,
        update,
        pieces: piecesIn(doc, update, new Authorship(copyId, doc, boardOf(state, room), []), participantId),
        at: new Date(serverNow()),
      })
      .onConflictDoNothing()
    return { ok: true, kept: true }
  } finally {
    doc.destroy()
  }
}

async function hasRoom(db: Database, copyId: string, participantId: string, more: number): Promise<boolean> {
  const rows = await db
    .select({ bytes: sql<number>`octet_length(${lateContributions.update})`.mapWith(Number) })
    .from(lateContributions)
    .where(
      sql`${lateContributions.copyId} = ${copyId} and ${lateContributions.participantId} = ${participantId}`,
    )
  const bytes = rows.reduce((sum, row) => sum + row.bytes, more)
  return rows.length < MOST_OF_ONE && bytes <= LARGEST_OF_ONE
}

/** What the pieces say that an update would bring. */
function piecesIn(
  doc: Y.Doc,
  update: Uint8Array,
  authorship: Authorship,
  participantId: string,
): LateContribution['pieces'] {
  const pieces: LateContribution['pieces'] = []
  doc.on('afterTransaction', transaction => {
    for (const { promptId, text } of authorship.contributionsOf(transaction, participantId, serverNow()))
      if (text.trim() !== '') pieces.push({ promptId, text })
  })
  Y.applyUpdate(doc, update)
  return pieces
}

/** All late contributions to these copies, in the order in which they came. */
export async function lateIn(db: Database, copyIds: readonly string[]): Promise<LateContribution[]> {
  if (copyIds.length === 0) return []
  const { copyId, participantId, at, pieces } = lateContributions
  const rows = await db
    .select({ copyId, participantId, at, pieces })
    .from(lateContributions)
    .where(inArray(copyId, [...copyIds]))
    .orderBy(asc(at))
  return rows.map(row => ({ ...row, at: row.at.getTime() }))
}
