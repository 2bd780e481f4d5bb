import { isDeepStrictEqual } from 'node:util'
import { and, asc, desc, eq, isNull, lt, or } from 'drizzle-orm'
import type { BoardVersion } from '~/contracts/board-version'
import { type Board, boardSchema } from '~/core/boards/board'
import { mergeBoards } from '~/core/boards/building/merge'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { boards, boardVersions } from '../db/schema.server'
import { notFound } from '../errors.server'
import { newId } from '../tokens.server'

export type KeptBoard = Board & { id: string }

/** A board as it was kept, by this version or an earlier one. Throws when a prompt is of a kind that is not known here. */
export const readBoard = (kept: unknown): Board => boardSchema.parse(kept)

/** All boards by title; `alsoId` is there even when it was removed: something uses it. */
export async function listBoards(db: Database, alsoId?: string): Promise<KeptBoard[]> {
  const rows = await db
    .select()
    .from(boards)
    .where(or(isNull(boards.removedAt), alsoId ? eq(boards.id, alsoId) : undefined))
    .orderBy(asc(boards.title), asc(boards.id))
  return rows.map(row => ({ id: row.id, ...readBoard(row) }))
}

/** A board as it is kept, and when it was last saved, in milliseconds since 1970. Throws not-found. */
export async function getBoard(db: Database, boardId: string): Promise<KeptBoard & { savedAt: number }> {
  const [row] = await db.select().from(boards).where(eq(boards.id, boardId))
  if (!row) throw notFound('board')
  return { id: row.id, savedAt: row.savedAt.getTime(), ...readBoard(row) }
}

/** `by` is the name of whoever makes it. */
export async function createBoard(db: Database, form: Board, by = ''): Promise<string> {
  const id = newId()
  const content = contentOf(form)
  await db.transaction(async transaction => {
    await transaction.insert(boards).values({ id, ...content })
    await transaction.insert(boardVersions).values({ boardId: id, version: 1, content, savedBy: by })
  })
  return id
}

/** What somebody goes on with for so long, in milliseconds, is one version. */
const ONE_VERSION_MS = 5 * 60_000
/** So many versions of a board are kept. */
const MOST_VERSIONS = 100

/**
 * Does to a board what its maker did to it since it was as `base` says, whatever others did meanwhile, and gives what it is
 * now. Sessions already opened keep the board as it was then. Throws not-found.
 */
export async function changeBoard(
  db: Database,
  boardId: string,
  { base, board }: { base: Board; board: Board },
  by: string,
): Promise<Board & { savedAt: number }> {
  return db.transaction(async transaction => {
    const [row] = await transaction.select().from(boards).where(eq(boards.id, boardId)).for('update')
    if (!row) throw notFound('board')
    const now = readBoard(row)
    const content = contentOf(mergeBoards(contentOf(base), contentOf(board), contentOf(now)))
    if (isDeepStrictEqual(content, contentOf(now))) return { ...content, savedAt: row.savedAt.getTime() }
    const savedAt = new Date(serverNow())
    await transaction
      .update(boards)
      .set({ ...content, savedAt })
      .where(eq(boards.id, boardId))
    const [last] = await transaction
      .select()
      .from(boardVersions)
      .where(eq(boardVersions.boardId, boardId))
      .orderBy(desc(boardVersions.version))
      .limit(1)
    const version = last?.version ?? 1
    if (!last) {
      // Made before versions were kept: what it was is the first.
      const first = { boardId, version, content: contentOf(now), savedBy: '', savedAt: row.savedAt }
      await transaction.insert(boardVersions).values(first)
    }
    const goesOn =
      last?.savedBy === by && savedAt.getTime() - last.savedAt.getTime() < ONE_VERSION_MS && version > 1
    if (goesOn) {
      await transaction
        .update(boardVersions)
        .set({ content, savedAt })
        .where(and(eq(boardVersions.boardId, boardId), eq(boardVersions.version, version)))
    } else {
      await transaction
        .insert(boardVersions)
        .values({ boardId, version: version + 1, content, savedBy: by, savedAt })
      await transaction
        .delete(boardVersions)
        .where(
          and(eq(boardVersions.boardId, boardId), lt(boardVersions.version, version + 2 - MOST_VERSIONS)),
        )
    }
    return { ...content, savedAt: savedAt.getTime() }
  })
}

/** How a board was left, newest first. */
export async function boardVersionsOf(db: Database, boardId: string, most = 30): Promise<BoardVersion[]> {
  const rows = await db
    .select()
    .from(boardVersions)
    .where(eq(boardVersions.boardId, boardId))
    .orderBy(desc(boardVersions.version))
    .limit(most)
  return rows.map(({ version, content, savedBy, savedAt }) => ({
    version,
    board: readBoard(content),
    savedBy,
    savedAt,
  }))
}

/** A board without what is kept beside it, its fields in an order of their own: two that say the same are the same. */
const contentOf = (board: Board): Board => ({ parts: [], ...readBoard(board) })
