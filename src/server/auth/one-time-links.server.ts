/**
 * Links by which somebody chooses a new password: made by another facilitator for who has forgotten theirs, or has a new
 * account. Whoever makes one never learns the password, and what was done stands in the log.
 */
import { and, eq, gt, isNull } from 'drizzle-orm'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { accounts, oneTimeLinks } from '../db/schema.server'
import { notFound } from '../errors.server'
import { done, type Result, refused } from '../result'
import { newToken, tokenHash } from '../tokens.server'
import type { WeakPassword } from './accounts.server'
import { hashPassword } from './passwords.server'
import { type Account, signOutEverywhere } from './sign-ins.server'
import { weaknessOf } from './weak-passwords.server'

/** A link works for so long, in milliseconds. */
const WORKS_MS = 24 * 60 * 60 * 1000

export interface OneTimeLink {
  token: string
  /** For whom. */
  name: string
  until: Date
}

/**
 * Makes a link for somebody else's account; the one made before works no longer. Throws not-found. Refused for one's own: the
 * password is changed by who knows it.
 */
export async function makeOneTimeLink(
  db: Database,
  by: Account,
  accountId: string,
): Promise<Result<OneTimeLink, { code: 'own-account' }>> {
  if (accountId === by.id) return refused({ code: 'own-account' })
  const [account] = await db
    .select({ name: accounts.displayName })
    .from(accounts)
    .where(and(eq(accounts.id, accountId), isNull(accounts.removedAt)))
  if (!account) throw notFound('account')
  const token = newToken()
  const link = { tokenHash: tokenHash(token), expiresAt: new Date(serverNow() + WORKS_MS) }
  await db
    .insert(oneTimeLinks)
    .values({ accountId, ...link })
    .onConflictDoUpdate({ target: oneTimeLinks.accountId, set: link })
  return done({ token, name: account.name, until: link.expiresAt })
}

/** Whose password a link is for. Throws not-found for one that was used, has run out, or never was: it is not said which. */
export async function holderOf(db: Database, token: string): Promise<Account> {
  const [account] = await db
    .select({ id: accounts.id, email: accounts.email, displayName: accounts.displayName })
    .from(oneTimeLinks)
    .innerJoin(accounts, eq(accounts.id, oneTimeLinks.accountId))
    .where(works(token))
  if (!account) throw notFound('link')
  return account
}

/**
 * Sets the password of who holds a link, once: of two at the same moment one is too late. Whoever was signed in with the old
 * one is signed out everywhere. A password that others would try is refused, and the link works on. Throws not-found as
 * `holderOf`.
 */
export async function spendOneTimeLink(
  db: Database,
  token: string,
  newPassword: string,
): Promise<Result<Account, WeakPassword>> {
  const account = await holderOf(db, token)
  const why = weaknessOf(newPassword, account)
  if (why) return refused({ code: 'weak', why })
  const passwordHash = await hashPassword(newPassword)
  await db.transaction(async both => {
    const used = await both
      .delete(oneTimeLinks)
      .where(
        and(eq(oneTimeLinks.tokenHash, tokenHash(token)), gt(oneTimeLinks.expiresAt, new Date(serverNow()))),
      )
      .returning({ accountId: oneTimeLinks.accountId })
    if (used.length === 0) throw notFound('link')
    await both.update(accounts).set({ passwordHash }).where(eq(accounts.id, account.id))
  })
  await signOutEverywhere(db, account.id)
  return done(account)
}

const works = (token: string) =>
  and(
    eq(oneTimeLinks.tokenHash, tokenHash(token)),
    gt(oneTimeLinks.expiresAt, new Date(serverNow())),
    isNull(accounts.removedAt),
  )
