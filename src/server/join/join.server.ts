import { and, eq, inArray, isNull } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { participantList } from '~/core/live/door/people'
import { remember, rememberBoth } from '~/core/live/remember'
import type { LiveProblem, LiveState } from '~/core/live/topics'
import { plainName } from '~/core/people/shown-name'
import type { Database } from '../db/database.server'
import { accounts, participants, sessions } from '../db/schema.server'
import { notFound } from '../errors.server'
import type { Limits } from '../limits.server'
import type { LiveHub } from '../live/hub.server'
import { done, type Result, refused } from '../result'
import type { Session } from '../sessions/sessions.server'
import { newId, newToken, tidyJoinCode, tokenHash } from '../tokens.server'

export type CodeProblem = { code: 'unknown-code' } | { code: 'too-many-tries'; seconds: number }

/**
 * The session a join code opens. A right code always does, whatever others behind the same address have typed; wrong ones are
 * counted before anything is said of them, and after many the address is told to wait.
 */
export async function sessionByCode(
  db: Database,
  limits: Limits,
  typed: string,
  address: string,
): Promise<Result<Session, CodeProblem>> {
  const [session] = await db
    .select()
    .from(sessions)
    .where(and(eq(sessions.joinCode, tidyJoinCode(typed)), isNull(sessions.removedAt)))
  if (session) return done(session)
  const seconds = await limits.joinCode.failed(address, 'all')
  return refused(seconds > 0 ? { code: 'too-many-tries', seconds } : { code: 'unknown-code' })
}

/** Somebody's place in a session, as kept beside the log. */
export interface Place {
  participantId: string
  sessionId: string
  reviewToken: string
}

/**
 * Places that were looked up, by the hashes of their tokens. A place is never changed, and goes only with a session that is deleted,
 * which is not found any more whoever asks; so a class that answers a question at once asks the database nothing.
 */
const placesIn = remember((_db: Database) => new LRUCache<string, Place>({ max: 20_000 }))

/** The place a browser's token stands for in this session; null when it has none there. */
export async function placeOf(db: Database, sessionId: string, token: string | null): Promise<Place | null> {
  if (!token) return null
  const hash = tokenHash(token)
  const known = placesIn(db).get(hash)
  if (known) return known.sessionId === sessionId ? known : null
  const [row] = await db
    .select()
    .from(participants)
    .where(and(eq(participants.tokenHash, hash), eq(participants.sessionId, sessionId)))
  if (!row) return null
  const place = { participantId: row.id, sessionId, reviewToken: row.reviewToken }
  placesIn(db).set(hash, place)
  return place
}

/** The places some tokens stand for, in no order. */
export async function placesOf(
  db: Database,
  tokens: string[],
): Promise<Pick<Place, 'participantId' | 'sessionId'>[]> {
  if (tokens.length === 0) return []
  return db
    .select({ participantId: participants.id, sessionId: participants.sessionId })
    .from(participants)
    .where(inArray(participants.tokenHash, tokens.map(tokenHash)))
}

/** Throws not-found: a personal link says nothing about why it does not open. */
export async function placeByReviewToken(db: Database, reviewToken: string): Promise<Place> {
  const [row] = await db
    .select({ id: participants.id, sessionId: participants.sessionId })
    .from(participants)
    .innerJoin(sessions, eq(sessions.id, participants.sessionId))
    .where(and(eq(participants.reviewToken, reviewToken), isNull(sessions.removedAt)))
  if (!row) throw notFound('page')
  return { participantId: row.id, sessionId: row.sessionId, reviewToken }
}

/**
 * Somebody at the door says that a name is theirs which another browser holds: the facilitator is asked, and frees it
 * with one move. The name is read as it is compared when people join.
 */
export async function claimName(
  hub: LiveHub,
  sessionId: string,
  shownName: string,
): Promise<Result<null, LiveProblem>> {
  const wanted = plainName(shownName)
  const holder = participantList(await hub.state(sessionId)).find(
    participant => plainName(participant.shownName) === wanted,
  )
  if (!holder) return refused({ code: 'no-such-participant' })
  const asked = await hub.command(
    sessionId,
    { kind: 'door' },
    { type: 'claim-name', participantId: holder.id, doubtId: newId() },
  )
  return asked.ok ? done(null) : asked
}

const namesLeft = rememberBoth(
  (expected: LiveState['expected'], participants: LiveState['participants']): FreeName[] => {
    // Who was put in without a device may still come with one.
    const taken = new Set(
      participantList({ participants }).flatMap(({ personId, hasDevice }) => (hasDevice ? [personId] : [])),
    )
    return expected
      .filter(person => !taken.has(person.personId))
      .map(({ personId, shownName }) => ({ personId, shownName }))
  },
)
const textOf = remember((names: FreeName[]) => JSON.stringify(names))

/** A name on the list that nobody has taken. */
export interface FreeName {
  personId: string
  shownName: string
}

/** The names somebody can still choose from. */
export async function freeNames(hub: LiveHub, sessionId: string): Promise<FreeName[]> {
  const { expected, participants } = await hub.state(sessionId)
  return namesLeft(expected, participants)
}

/** The same as JSON text, made once for as long as nobody has come or gone: a whole class asks for it in the same minute. */
export const freeNamesText = async (hub: LiveHub, sessionId: string): Promise<string> =>
  textOf(await freeNames(hub, sessionId))

/**
 * Takes a place in a session: a name from the list, or a typed one. Gives the token for the cookie, and whose it is.
 * A name somebody else holds is refused: only a facilitator can free it.
 */
export async function takePlace(
  db: Database,
  hub: LiveHub,
  sessionId: string,
  wish: { personId?: string; shownName: string },
  /** Who the same browser was in this session before. */
  earlierId?: string,
): Promise<
  Result<
    { token: string; participantId: string },
    LiveProblem | { code: 'no-such-name' | 'facilitators-name' }
  >
> {
  const state = await hub.state(sessionId)
  const expected = state.expected.find(person => person.personId === wish.personId)
  if (wish.personId && !expected) return refused({ code: 'no-such-name' })
  if (!expected && (await isFacilitatorsName(db, wish.shownName)))
    return refused({ code: 'facilitators-name' })
  const token = newToken()
  const id = newId()
  await db
    .insert(participants)
    .values({ id, sessionId, tokenHash: tokenHash(token), reviewToken: newToken() })
  const joined = await hub.command(
    sessionId,
    { kind: 'door' },
    {
      type: 'join',
      participantId: id,
      personId: expected?.personId ?? null,
      shownName: expected?.shownName ?? wish.shownName,
      earlierId,
    },
  )
  if (joined.ok) return done({ token, participantId: id })
  await db.delete(participants).where(eq(participants.id, id))
  return joined
}

/** A broadcast is signed with it: nobody comes in under it who could be taken for a facilitator. */
async function isFacilitatorsName(db: Database, typed: string): Promise<boolean> {
  const rows = await db
    .select({ name: accounts.displayName })
    .from(accounts)
    .where(isNull(accounts.removedAt))
  const plain = plainName(typed)
  return rows.some(({ name }) => plainName(name) === plain)
}
