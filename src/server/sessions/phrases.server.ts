import { and, asc, count, eq } from 'drizzle-orm'
import type { Phrase, PhraseChange } from '~/contracts/phrases'
import type { Database } from '../db/database.server'
import { accounts, phrases } from '../db/schema.server'
import { newId } from '../tokens.server'

/** So many phrases one can keep. */
export const MOST_PHRASES = 40

/** The phrases of an account, by their words. */
export const phrasesOf = (db: Database, accountId: string): Promise<Phrase[]> =>
  db
    .select({ id: phrases.id, text: phrases.text })
    .from(phrases)
    .where(eq(phrases.accountId, accountId))
    .orderBy(asc(phrases.text))

/** Keeps a phrase once, or drops one of one's own; gives why it could not be, in words. */
export async function changePhrases(
  db: Database,
  accountId: string,
  change: PhraseChange,
): Promise<string | null> {
  if ('drop' in change) {
    await db.delete(phrases).where(and(eq(phrases.id, change.drop), eq(phrases.accountId, accountId)))
    return null
  }
  return db.transaction(async transaction => {
    // One at a time: of many kept at once, each would find room.
    await transaction
      .select({ id: accounts.id })
      .from(accounts)
      .where(eq(accounts.id, accountId))
      .for('update')
    const mine = eq(phrases.accountId, accountId)
    const [kept] = await transaction.select({ many: count() }).from(phrases).where(mine)
    if ((kept?.many ?? 0) >= MOST_PHRASES)
      return `At most ${MOST_PHRASES} phrases can be kept. Drop one of them first.`
    await transaction
      .insert(phrases)
      .values({ id: newId(), accountId, text: change.keep })
      .onConflictDoNothing()
    return null
  })
}
