/** Pictures that people add to the board of their room, as from a phone's camera. */
import { createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { and, count, eq, inArray } from 'drizzle-orm'
import type { LiveState } from '~/core/live/topics'
import { participantView } from '~/core/live/views'
import type { Database } from '../db/database.server'
import { boardCopies, copyFiles, files } from '../db/schema.server'
import type { FileFolder } from './file-folder.server'
import { NotTakenError, takeIn } from './take-in.server'

/** Pictures of one person on one board, taken away or not, and of all of them. */
const MOST_OF_ONE = 20
const MOST_OF_ALL = 100

export interface AddedPicture {
  file: string
  /** In points. */
  width: number
  height: number
}

/** The copy somebody may add a picture to under a prompt; null when they may not. */
export function copyForPictures(state: LiveState, participantId: string, promptId: string): string | null {
  const view = participantView(state, participantId)
  const prompt = view?.board?.prompts.find(({ id }) => id === promptId)
  const mayAdd = prompt?.kind === 'pictures' && prompt.settings.add === true
  const isIn =
    state.phase === 'open' && view?.whereabouts.where === 'room' && view.writing?.mayWrite !== false
  return mayAdd && isIn && view.whereabouts.where === 'room' ? view.whereabouts.copyId : null
}

/** Takes a picture in that is sent for a copy. Throws NotTakenError, with words for who sent it. */
export async function addCopyPicture(
  db: Database,
  folder: FileFolder,
  { copyId, participantId }: { copyId: string; participantId: string },
  sent: Readable,
): Promise<AddedPicture> {
  await checkRoom(db, copyId, participantId)
  const path = folder.making()
  try {
    await pipeline(sent, createWriteStream(path))
    return await folder.inTurn(async () => {
      // Of many that are sent at once, each found room when it began.
      await checkRoom(db, copyId, participantId)
      const { hash, kind, type, bytes, width, height } = await takeIn(path, folder, ['picture'])
      const size = { width: width ?? 4, height: height ?? 3 }
      await db.transaction(async transaction => {
        await transaction
          .insert(files)
          .values({ hash, kind, type, bytes, ...size })
          .onConflictDoNothing()
        await transaction
          .insert(copyFiles)
          .values({ copyId, fileHash: hash, participantId })
          .onConflictDoNothing()
      })
      return { file: hash, ...size }
    })
  } finally {
    await rm(path, { force: true })
  }
}

/** Throws NotTakenError where no more of somebody are taken in. */
async function checkRoom(db: Database, copyId: string, participantId: string): Promise<void> {
  const [own, all] = await Promise.all([
    counted(db, and(eq(copyFiles.copyId, copyId), eq(copyFiles.participantId, participantId))),
    counted(db, eq(copyFiles.copyId, copyId)),
  ])
  if (own >= MOST_OF_ONE || all >= MOST_OF_ALL)
    throw new NotTakenError('So many pictures were added here that no more are taken in.')
}

async function counted(db: Database, which: ReturnType<typeof eq> | undefined): Promise<number> {
  const [row] = await db.select({ all: count() }).from(copyFiles).where(which)
  return row?.all ?? 0
}

/** Whether a picture was added to one of these copies. */
export async function isOnCopies(db: Database, copyIds: readonly string[], hash: string): Promise<boolean> {
  if (copyIds.length === 0) return false
  const rows = await db
    .select({ hash: copyFiles.fileHash })
    .from(copyFiles)
    .where(and(eq(copyFiles.fileHash, hash), inArray(copyFiles.copyId, [...copyIds])))
    .limit(1)
  return rows.length > 0
}

/** Whether a picture was added in a session. */
export async function isInSession(db: Database, sessionId: string, hash: string): Promise<boolean> {
  const rows = await db
    .select({ hash: copyFiles.fileHash })
    .from(copyFiles)
    .innerJoin(boardCopies, eq(copyFiles.copyId, boardCopies.id))
    .where(and(eq(copyFiles.fileHash, hash), eq(boardCopies.sessionId, sessionId)))
    .limit(1)
  return rows.length > 0
}
