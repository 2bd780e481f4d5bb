import { and, eq, isNull, lt, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import type { z } from 'zod'
import type { accountForm } from '~/contracts/forms/accounts'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { accounts, knownBrowsers, signIns } from '../db/schema.server'
import type { Limits } from '../limits.server'
import { done, type Result, refused } from '../result'
import { newId, newToken, tokenHash } from '../tokens.server'
import { arePasswordsWaiting, checkPassword, hashOfNobody, hashPassword, isOldHash } from './passwords.server'

/** Somebody who is signed in. Every account of a server is a facilitator or co-facilitator and sees all of it. */
export interface Account {
  id: string
  email: string
  displayName: string
}

/** How long a browser stays signed in without coming back, in milliseconds. */
export const SIGN_IN_MS = 14 * 24 * 60 * 60 * 1000

const shown = { id: accounts.id, email: accounts.email, displayName: accounts.displayName }

export async function hasAccounts(db: Database): Promise<boolean> {
  return (await db.select({ id: accounts.id }).from(accounts).limit(1)).length > 0
}

export const listAccounts = (db: Database): Promise<Account[]> =>
  db.select(shown).from(accounts).where(isNull(accounts.removedAt)).orderBy(accounts.createdAt, accounts.id)

/** Makes an account; refused when the address already has one. Passwords are kept as hashes. */
export async function createAccount(
  db: Database,
  form: z.infer<typeof accountForm>,
): Promise<Result<Account, { code: 'email-taken' }>> {
  const passwordHash = await hashPassword(form.password)
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
  form: z.infer<typeof accountForm>,
): Promise<Result<Account, { code: 'not-first' | 'email-taken' }>> {
  return db.transaction(async transaction => {
    await transaction.execute(sql`lock table accounts in share row exclusive mode`)
    if (await hasAccounts(transaction)) return refused({ code: 'not-first' as const })
    return createAccount(transaction, form)
  })
}

export type SignInProblem = { code: 'wrong' } | { code: 'too-many-tries'; seconds: number }

/** From where somebody signs in. */
export interface SignInFrom {
  address: string
  /** What this browser is known by, if it has ever been signed in. */
  browser: string | null
}

/**
 * Checks email and password and gives the tokens for the cookies: of the sign-in, and of the browser, which is known from then
 * on. Tries that fail make the next one wait, longer each time; each is counted before the password is looked at.
 */
export async function signIn(
  db: Database,
  limits: Limits,
  form: { email: string; password: string },
  { address, browser }: SignInFrom,
): Promise<Result<{ token: string; browser: string }, SignInProblem>> {
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
  return done({ token: await newSignIn(db, account.id), browser: await remember(db, browser, account.id) })
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

async function newSignIn(db: Database, accountId: string): Promise<string> {
  const token = newToken()
  await db.delete(signIns).where(lt(signIns.expiresAt, new Date()))
  await db.insert(signIns).values({
    tokenHash: tokenHash(token),
    accountId,
    expiresAt: new Date(serverNow() + SIGN_IN_MS),
  })
  return token
}

/**
 * Sign-ins looked up a moment ago: every request of a facilitator asks, and in Live they come in quick succession. Whoever is
 * signed out here is out at once; by another server on the same database, within this time.
 */
const KNOWN_FOR_MS = 10_000
interface SignedIn {
  account: Account
  expiresAt: number
}
const known = new WeakMap<Database, LRUCache<string, SignedIn>>()

function knownIn(db: Database): LRUCache<string, SignedIn> {
  const found = known.get(db) ?? new LRUCache<string, SignedIn>({ max: 1_000, ttl: KNOWN_FOR_MS })
  known.set(db, found)
  return found
}

/** The account a cookie's token stands for; null when it is unknown or has run out. */
export async function accountOf(db: Database, token: string | null): Promise<Account | null> {
  if (!token) return null
  const hash = tokenHash(token)
  const signedIn = knownIn(db).get(hash) ?? (await lookUp(db, hash))
  if (!signedIn || signedIn.expiresAt < serverNow()) return null
  knownIn(db).set(hash, signedIn, { noUpdateTTL: true })
  return signedIn.account
}

async function lookUp(db: Database, hash: string): Promise<SignedIn | null> {
  const [found] = await db
    .select({ ...shown, expiresAt: signIns.expiresAt })
    .from(signIns)
    .innerJoin(accounts, eq(accounts.id, signIns.accountId))
    .where(eq(signIns.tokenHash, hash))
  if (!found) return null
  const { expiresAt, ...account } = found
  return { account, expiresAt: expiresAt.getTime() }
}

export async function signOut(db: Database, token: string | null): Promise<void> {
  if (!token) return
  const hash = tokenHash(token)
  await db.delete(signIns).where(eq(signIns.tokenHash, hash))
  knownIn(db).delete(hash)
}

/** Signs an account out wherever it is signed in. */
export async function signOutEverywhere(db: Database, accountId: string): Promise<void> {
  await db.delete(signIns).where(eq(signIns.accountId, accountId))
  await db.delete(knownBrowsers).where(eq(knownBrowsers.accountId, accountId))
  knownIn(db).clear()
}
