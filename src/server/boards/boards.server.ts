import { asc, eq, isNull, or } from 'drizzle-orm'
import { type Board, boardSchema } from '~/core/boards/board'
import type { Database } from '../db/database.server'
import { boards } from '../db/schema.server'
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

export async function createBoard(db: Database, form: Board): Promise<string> {
  const id = newId()
  await db.insert(boards).values({ id, ...form })
  return id
}

/** Changes a board. Sessions already opened keep the board as it was then. Throws not-found. */
export async function saveBoard(db: Database, boardId: string, form: Board): Promise<void> {
  const saved = await db
    .update(boards)
    .set({ ...form, savedAt: new Date() })
    .where(eq(boards.id, boardId))
    .returning({ id: boards.id })
  if (saved.length === 0) throw notFound('board')
}
