import { randomInt } from 'node:crypto'
import { and, count, eq } from 'drizzle-orm'
import type { Database } from '../db/database.server'
import { boardWriters } from '../db/schema.server'

/** Numbers one person may have on one board: each page that is opened anew takes one. */
const MOST_NUMBERS = 200
/** Numbers of a document are at least this, so that none is one that the server or a test takes for itself. */
const LEAST = 1_000
const BELOW = 2 ** 32

/**
 * A number for somebody to write under on a board, or the one they say they have when it is theirs or nobody's. On disk before
 * it is given, so that whose it is holds whatever happens to the server. Null when they have had too many.
 */
export async function handOutNumber(
  db: Database,
  copyId: string,
  participantId: string,
  had: number | null,
): Promise<number | null> {
  let fresh: number | null = null
  if (had !== null) {
    const [row] = await db
      .select()
      .from(boardWriters)
      .where(and(eq(boardWriters.copyId, copyId), eq(boardWriters.number, had)))
    if (row?.participantId === participantId) return had
    // A page that was opened without a line has written under a number of its own.
    fresh = row === undefined && had >= LEAST && had < BELOW ? had : null
  }
  const [taken] = await db
    .select({ number: count() })
    .from(boardWriters)
    .where(and(eq(boardWriters.copyId, copyId), eq(boardWriters.participantId, participantId)))
  if ((taken?.number ?? 0) >= MOST_NUMBERS) return null
  for (;;) {
    const number = fresh ?? randomInt(LEAST, BELOW)
    fresh = null
    const added = await db
      .insert(boardWriters)
      .values({ copyId, number, participantId })
      .onConflictDoNothing()
      .returning()
    if (added.length > 0) return number
  }
}

/** Whose the numbers are that stand under an open board. */
export class Writers {
  private readonly owners = new Map<number, string>()
  /** Numbers whose browser has been here since the server started. */
  private readonly seen = new Set<number>()

  private constructor(
    private readonly db: Database,
    private readonly copyId: string,
  ) {}

  static async of(db: Database, copyId: string, seen: Iterable<number>): Promise<Writers> {
    const writers = new Writers(db, copyId)
    const rows = await db.select().from(boardWriters).where(eq(boardWriters.copyId, copyId))
    for (const { number, participantId } of rows) writers.owners.set(number, participantId)
    for (const number of seen) writers.seen.add(number)
    return writers
  }

  ownerOf = (number: number): string | undefined => this.owners.get(number)

  /** A number that was handed out, or whose browser has come back. */
  comesWith(number: number, participantId: string): void {
    this.owners.set(number, participantId)
    this.seen.add(number)
  }

  /**
   * Whether somebody may bring pieces under these numbers: under their own, under ones nobody has, which are theirs from now
   * on, and under others' only as long as that browser has not been here since the server started. Then it may have been lost
   * with what it wrote in the last moments, and the others in the room still have that.
   */
  mayBring(participantId: string, numbers: readonly number[]): boolean {
    const fresh = numbers.filter(number => !this.owners.has(number))
    const own = [...this.owners.values()].filter(owner => owner === participantId).length
    if (fresh.length > 0 && own + fresh.length > MOST_NUMBERS) return false
    const others = numbers.filter(number => (this.owners.get(number) ?? participantId) !== participantId)
    return others.every(number => !this.seen.has(number))
  }

  /** Makes numbers that nobody has this person's. Resolves when that is on disk. */
  async claim(participantId: string, numbers: readonly number[]): Promise<void> {
    const fresh = numbers.filter(number => !this.owners.has(number))
    if (fresh.length === 0) return
    for (const number of fresh) this.comesWith(number, participantId)
    await this.db
      .insert(boardWriters)
      .values(fresh.map(number => ({ copyId: this.copyId, number, participantId })))
      .onConflictDoNothing()
  }
}
