import { and, eq, isNull, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { accountForm } from '~/contracts/forms/accounts'
import type { Database } from '../db/database.server'
import { accounts, knownBrowsers } from '../db/schema.server'
import type { Limits } from '../limits.server'
import { done, type Result, refused } from '../result'
import { newId, newToken, tokenHash } from '../tokens.server'
import { arePasswordsWaiting, checkPassword, hashOfNobody, hashPassword, isOldHash } from './passwords.server'
import { type Account, newSignIn, signOutEverywhere } from './sign-ins.server'
import { weaknessOf } from './weak-passwords.server'

const shown = { id: accounts.id, email: accounts.email, displayName: accounts.displayName }

export async function hasAccounts(db: Database): Promise<boolean> {
  return (await db.select({ id: accounts.id }).from(accounts).limit(1)).length > 0
}

export const listAccounts = (db: Database): Promise<Account[]> =>
  db.select(shown).from(accounts).where(isNull(accounts.removedAt)).orderBy(accounts.createdAt, accounts.id)

/**
 * Makes an account; refused when the address already has one. Passwords are kept as hashes; without one nobody can sign in
 * until it was chosen.
 */
export async function createAccount(
  db: Database,
  form: z.infer<typeof accountForm> & { password?: string },
): Promise<Result<Account, { code: 'email-taken' }>> {
  const passwordHash = await hashPassword(form.password ?? newToken())
  const account = { id: newId(), email: form.email, displayName: form.displayName }
  const made = await db
    .insert(accounts)
    .values({ ...account, passwordHash })
    .onConflictDoNothing({ target: accounts.email })
    .returning({ id: accounts.id })
  return made.length > 0 ? done(account) : refused({ code: 'email-taken' })
}

/**
 * Makes the very first account, only while there is none. A lock makes two at once wait for each other.
 */
export function createFirstAccount(
  db: Database,
  form: z.infer<typeof accountForm> & { password: string },
): Promise<Result<Account, { code: 'not-first' | 'email-taken' } | WeakPassword>> {
  const why = weaknessOf(form.password, form)
  if (why) return Promise.resolve(refused({ code: 'weak', why }))
  return db.transaction(async transaction => {
    await transaction.execute(sql`lock table accounts in share row exclusive mode`)
    if (await hasAccounts(transaction)) return refused({ code: 'not-first' as const })
    return createAccount(transaction, form)
  })
}

export type SignInProblem = { code: 'wrong' } | { code: 'too-many-tries'; seconds: number }

/** A password that others would try. */
export interface WeakPassword {
  code: 'weak'
  why: NonNullable<ReturnType<typeof weaknessOf>>
}

/** From where somebody signs in. */
export interface SignInFrom {
  address: string
  /** What this browser is known by, if it has ever been signed in. */
  browser: string | null
  /** What it calls itself (its User-Agent). */
  agent?: string | null
}

/**
 * Checks email and password and gives the tokens for the cookies: of the sign-in, and of the browser, which is known from then
 * on. Tries that fail make the next one wait, longer each time; each is counted before the password is looked at.
 */
export async function signIn(
  db: Database,
  limits: Limits,
  form: { email: string; password: string },
  { address, browser, agent }: SignInFrom,
): Promise<Result<SignedIn, SignInProblem>> {
  const [account] = await db
    .select()
    .from(accounts)
    .where(and(eq(accounts.email, form.email), isNull(accounts.removedAt)))
  const known = account !== undefined && (await isKnown(db, browser, account.id))
  const limit = known ? limits.knownBrowser : limits.signIn
  const keys = known
    ? [`${account.id} ${tokenHash(browser ?? '')}`]
    : [`${form.email} from ${address}`, address, form.email]
  const wait = arePasswordsWaiting() ? BUSY_SECONDS : limit.begin(...keys)
  if (wait > 0) return refused({ code: 'too-many-tries', seconds: wait })
  const right = await checkPassword(form.password, account?.passwordHash ?? (await hashOfNobody()))
  if (!account || !right) return refused({ code: 'wrong' })
  limit.succeeded(...keys)
  if (isOldHash(account.passwordHash)) {
    const passwordHash = await hashPassword(form.password)
    await db.update(accounts).set({ passwordHash }).where(eq(accounts.id, account.id))
  }
  return done(await signedInAs(db, account, { browser, agent }))
}

/** The tokens for the cookies of somebody who has shown who they are. */
export interface SignedIn {
  token: string
  browser: string
  account: Account
}

export async function signedInAs(
  db: Database,
  { id, email, displayName }: Account,
  { browser, agent }: Omit<SignInFrom, 'address'>,
): Promise<SignedIn> {
  return {
    token: await newSignIn(db, id, agent ?? ''),
    browser: await remember(db, browser, id),
    account: { id, email, displayName },
  }
}

/** How long somebody is asked to wait while so many passwords are being checked that another would wait for long. */
const BUSY_SECONDS = 5

async function isKnown(db: Database, browser: string | null, accountId: string): Promise<boolean> {
  if (!browser) return false
  const found = await db
    .select({ accountId: knownBrowsers.accountId })
    .from(knownBrowsers)
    .where(and(eq(knownBrowsers.tokenHash, tokenHash(browser)), eq(knownBrowsers.accountId, accountId)))
  return found.length > 0
}

/** Keeps that a browser has been signed in to an account; gives what it is known by, made anew when it has nothing yet. */
async function remember(db: Database, browser: string | null, accountId: string): Promise<string> {
  const token = browser ?? newToken()
  await db
    .insert(knownBrowsers)
    .values({ tokenHash: tokenHash(token), accountId })
    .onConflictDoNothing()
  return token
}

/**
 * Changes somebody's password, who says the one they have; wrong ones make them wait as at the door. Every other browser of
 * theirs is signed out: whoever had the old one has nothing now.
 */
export async function changePassword(
  db: Database,
  limits: Limits,
  me: Account,
  form: { password: string; newPassword: string },
  token: string,
): Promise<Result<null, SignInProblem | WeakPassword>> {
  const { id } = me
  const why = weaknessOf(form.newPassword, me)
  if (why) return refused({ code: 'weak', why })
  const wait = arePasswordsWaiting() ? BUSY_SECONDS : limits.knownBrowser.begin(`${id} changes`)
  if (wait > 0) return refused({ code: 'too-many-tries', seconds: wait })
  const [account] = await db.select().from(accounts).where(eq(accounts.id, id))
  if (!account || !(await checkPassword(form.password, account.passwordHash)))
    return refused({ code: 'wrong' })
  limits.knownBrowser.succeeded(`${id} changes`)
  await db
    .update(accounts)
    .set({ passwordHash: await hashPassword(form.newPassword) })
    .where(eq(accounts.id, id))
  await signOutEverywhere(db, id, token)
  return done(null)
}
