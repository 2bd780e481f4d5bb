/** Browsers that are signed in, and what they hold open. */
import Bowser from 'bowser'
import { and, desc, eq, lt, ne } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { accounts, knownBrowsers, signIns } from '../db/schema.server'
import { newToken, tokenHash } from '../tokens.server'

/** Somebody who is signed in. Every account of a server is a facilitator or co-facilitator and sees all of it. */
export interface Account {
  id: string
  email: string
  displayName: string
}

/** How long a browser stays signed in without coming back, in milliseconds. */
export const SIGN_IN_MS = 14 * 24 * 60 * 60 * 1000
/** A browser's own word for itself is read no further than this. */
const LONGEST_AGENT = 400

/** Signs a browser in; gives its token. */
export async function newSignIn(db: Database, accountId: string, agent: string): Promise<string> {
  const token = newToken()
  await db.delete(signIns).where(lt(signIns.expiresAt, new Date()))
  await db.insert(signIns).values({
    tokenHash: tokenHash(token),
    accountId,
    browser: browserName(agent),
    startedAt: new Date(serverNow()),
    expiresAt: new Date(serverNow() + SIGN_IN_MS),
  })
  return token
}

/** "Firefox on Windows"; the empty text for what nobody would know again. */
export function browserName(agent: string): string {
  if (agent === '') return ''
  const { browser, os } = Bowser.parse(agent.slice(0, LONGEST_AGENT))
  return [browser.name, os.name].filter(Boolean).join(' on ').slice(0, 80)
}

/** A browser that is signed in. */
export interface SignedInBrowser {
  browser: string
  startedAt: Date
  isHere: boolean
}

/** Where somebody is signed in, the latest first; `token` is that of the browser that asks. */
export async function listSignIns(
  db: Database,
  accountId: string,
  token: string | null,
): Promise<SignedInBrowser[]> {
  const rows = await db
    .select()
    .from(signIns)
    .where(eq(signIns.accountId, accountId))
    .orderBy(desc(signIns.startedAt))
  const here = token && tokenHash(token)
  return rows
    .filter(row => row.expiresAt.getTime() > serverNow())
    .map(({ browser, startedAt, tokenHash: hash }) => ({ browser, startedAt, isHere: hash === here }))
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
/** What goes by a sign-in and ends with it: event streams and sockets. */
interface Line {
  hash: string
  accountId: string
  end: () => void
}
interface Held {
  known: LRUCache<string, SignedIn>
  lines: Set<Line>
  /** How often somebody was signed out: what was looked up before counts no more. */
  signOuts: number
}
const held = new WeakMap<Database, Held>()

function heldIn(db: Database): Held {
  const found = held.get(db) ?? {
    known: new LRUCache<string, SignedIn>({ max: 1_000, ttl: KNOWN_FOR_MS }),
    lines: new Set<Line>(),
    signOuts: 0,
  }
  held.set(db, found)
  return found
}

/** The account a cookie's token stands for; null when it is unknown or has run out. */
export async function accountOf(db: Database, token: string | null): Promise<Account | null> {
  if (!token) return null
  const hash = tokenHash(token)
  const signedIn = heldIn(db).known.get(hash) ?? (await lookUp(db, hash))
  return signedIn && signedIn.expiresAt >= serverNow() ? signedIn.account : null
}

/** Looks a sign-in up, again if somebody was signed out meanwhile: the answer may be of the time before. */
async function lookUp(db: Database, hash: string): Promise<SignedIn | null> {
  const held = heldIn(db)
  const { signOuts } = held
  const signedIn = await read(db, hash)
  if (held.signOuts !== signOuts) return lookUp(db, hash)
  if (signedIn) held.known.set(hash, signedIn)
  return signedIn
}

async function read(db: Database, hash: string): Promise<SignedIn | null> {
  const [found] = await db
    .select({
      id: accounts.id,
      email: accounts.email,
      displayName: accounts.displayName,
      expiresAt: signIns.expiresAt,
    })
    .from(signIns)
    .innerJoin(accounts, eq(accounts.id, signIns.accountId))
    .where(eq(signIns.tokenHash, hash))
  if (!found) return null
  const { expiresAt, ...account } = found
  return { account, expiresAt: expiresAt.getTime() }
}

/**
 * Ends something that is held open when the sign-in it goes by ends, also while it was being opened. Gives how to let go of it.
 */
export function whileSignedIn(
  db: Database,
  token: string | null,
  { id: accountId }: Account,
  end: () => void,
): () => void {
  const line = { hash: tokenHash(token ?? ''), accountId, end }
  const { lines } = heldIn(db)
  lines.add(line)
  accountOf(db, token).then(
    account => account ?? endLines(db, other => other === line),
    () => undefined,
  )
  return () => lines.delete(line)
}

function endLines(db: Database, ends: (line: Line) => boolean): void {
  const { lines } = heldIn(db)
  for (const line of [...lines].filter(ends)) {
    lines.delete(line)
    line.end()
  }
}

function forget(db: Database, drop: (known: Held['known']) => void): void {
  const held = heldIn(db)
  held.signOuts += 1
  drop(held.known)
}

export async function signOut(db: Database, token: string | null): Promise<void> {
  if (!token) return
  const hash = tokenHash(token)
  await db.delete(signIns).where(eq(signIns.tokenHash, hash))
  forget(db, known => known.delete(hash))
  endLines(db, line => line.hash === hash)
}

/** Signs an account out wherever it is signed in, or everywhere but in the browser of one token. */
export async function signOutEverywhere(db: Database, accountId: string, but?: string): Promise<void> {
  const here = but === undefined ? '' : tokenHash(but)
  await db.delete(signIns).where(and(eq(signIns.accountId, accountId), ne(signIns.tokenHash, here)))
  if (but === undefined) await db.delete(knownBrowsers).where(eq(knownBrowsers.accountId, accountId))
  forget(db, known => known.clear())
  endLines(db, line => line.accountId === accountId && line.hash !== here)
}
