/** What people wrote on a board without a line, and sent when it was not theirs to write on any more: late contributions. */
import { createHash } from 'node:crypto'
import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm'
import * as Y from 'yjs'
import type { LateAnswer, PutIn } from '~/contracts/late'
import { lookAt } from '~/core/boards/updates/look'
import { boardOf } from '~/core/live/rooms/room'
import { mayWorkOn } from '~/core/live/rooms/whereabouts'
import type { LiveState } from '~/core/live/topics'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { boardCopies, boardWriters, lateContributions } from '../db/schema.server'
import { done, type Result, refused as refusedFor } from '../result'
import { Authorship } from './authorship.server'
import type { BoardServer } from './board-server.server'

/** Of one person on one board, and how large they may be together, in bytes. */
const MOST_OF_ONE = 40
const LARGEST_OF_ONE = 4_000_000

export interface LateContribution {
  /** Among those of the same person on the same board. */
  id: string
  copyId: string
  participantId: string
  at: number
  /** What its pieces say; empty for what cannot be shown as text. */
  pieces: { promptId: string; text: string }[]
  /** Which facilitator put it on the board after all; null while it lies beside it. */
  putInBy: string | null
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
    const pieces = piecesIn(doc, update, new Authorship(copyId, doc, boardOf(state, room), []), participantId)
    const late = { copyId, participantId, digest, promptId, update, pieces, at: new Date(serverNow()) }
    const kept = await db.transaction(async transaction => {
      // One at a time: of many sent at once, each would find room.
      await transaction
        .select({ id: boardCopies.id })
        .from(boardCopies)
        .where(eq(boardCopies.id, copyId))
        .for('update')
      if (!(await hasRoom(transaction, copyId, participantId, update.byteLength))) return false
      await transaction.insert(lateContributions).values(late).onConflictDoNothing()
      return true
    })
    return kept ? { ok: true, kept } : refused('So much came late from you that no more of it is kept.')
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
  const { digest: id, copyId, participantId, at, pieces, putInBy } = lateContributions
  const rows = await db
    .select({ id, copyId, participantId, at, pieces, putInBy })
    .from(lateContributions)
    .where(inArray(copyId, [...copyIds]))
    .orderBy(asc(at))
  return rows.map(row => ({ ...row, at: row.at.getTime() }))
}

export type PutInProblem = { code: 'not-late' | 'no-room' | 'cannot-stand' }

/**
 * Puts a late contribution on its board, in the name of whoever wrote it, as if it had come in time. It is on disk there before it is
 * no longer late: twice it is put in once. Others of theirs that say nothing more are on the board with it.
 */
export async function putInLate(
  db: Database,
  boards: BoardServer,
  by: string,
  sessionId: string,
  { copyId, participantId, id }: PutIn,
): Promise<Result<null, PutInProblem>> {
  const theirs = await db
    .select({
      id: lateContributions.digest,
      promptId: lateContributions.promptId,
      update: lateContributions.update,
      putInBy: lateContributions.putInBy,
    })
    .from(lateContributions)
    .innerJoin(boardCopies, eq(boardCopies.id, lateContributions.copyId))
    .where(
      and(
        eq(boardCopies.sessionId, sessionId),
        eq(lateContributions.copyId, copyId),
        eq(lateContributions.participantId, participantId),
      ),
    )
  const late = theirs.find(one => one.id === id)
  if (!late) return refusedFor({ code: 'not-late' })
  if (late.putInBy !== null) return done(null)
  const { promptId } = late
  const { document, copy, letGo } = await boards.hold({
    copyId,
    own: promptId === null ? null : { promptId, participantId },
  })
  let there: string[]
  try {
    const taken = copy.take(late.update, { context: { participantId } }, participantId)
    if (taken !== 'taken') return refusedFor({ code: taken === 'dropped' ? 'no-room' : 'cannot-stand' })
    there = theirs.filter(one => one.promptId === promptId && isIn(document, one.update)).map(one => one.id)
  } finally {
    await letGo()
  }
  await boards.settled()
  await db
    .update(lateContributions)
    .set({ putInBy: by })
    .where(
      and(
        eq(lateContributions.copyId, copyId),
        eq(lateContributions.participantId, participantId),
        inArray(lateContributions.digest, there),
        isNull(lateContributions.putInBy),
      ),
    )
  await boards.lateChanged(sessionId, copyId)
  return done(null)
}

/** Whether all that an update says stands in a document. */
function isIn(doc: Y.Doc, update: Uint8Array): boolean {
  const look = lookAt(update, doc)
  return look.ok && !look.adds
}
