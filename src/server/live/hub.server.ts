import { eq } from 'drizzle-orm'
import type { Logger } from 'pino'
import type { StreamMessage } from '~/contracts/live'
import type { Actor } from '~/core/live/actors'
import { participantList } from '~/core/live/door/people'
import type { Command, LiveProblem, LiveState } from '~/core/live/topics'
import type { Viewer } from '~/core/live/views'
import { type Pace, timeAt } from '~/core/rehearsal/pace'
import type { Account } from '../auth/sign-ins.server'
import { serverNow } from '../clock.server'
import type { Database } from '../db/database.server'
import { sessions } from '../db/schema.server'
import { errorFacts } from '../error-facts.server'
import type { Result } from '../result'
import { getSession } from '../sessions/sessions.server'
import { DatabaseSessionStore } from './database-session-store.server'
import { LiveSession } from './live-session.server'
import type { SessionStore } from './session-store'

/** Somebody whose stream broke comes back within this time without being marked as gone, in milliseconds. */
const DROP_AFTER_MS = 6_000
/** How often sessions that nobody needs are forgotten. */
const LET_GO_EVERY_MS = 5 * 60_000
/** After a restart of the server everybody has this long to come back. */
const DROP_AFTER_RESTART_MS = 30_000

/** All running sessions of this server, and who is connected to them. */
export class LiveHub {
  private readonly sessions = new Map<string, Promise<LiveSession>>()
  private readonly streams = new Map<string, number>()
  private readonly dropTimers = new Map<string, NodeJS.Timeout>()
  private readonly listeners = new Set<(sessionId: string, state: LiveState) => void>()
  private readonly goers = new Set<(sessionId: string) => void>()
  /** How time runs in rehearsals. */
  private readonly paces = new Map<string, Pace>()
  private readonly sweep: NodeJS.Timeout
  /** Stops hearing of what is written. */
  private readonly deafen: () => void

  constructor(
    private readonly db: Database,
    private readonly log: Logger,
    private readonly now: () => number = serverNow,
    private readonly store: SessionStore = new DatabaseSessionStore(db),
  ) {
    this.deafen = store.onAppended((sessionId, seq) => {
      this.sessions.get(sessionId)?.then(
        session => session.heard(seq),
        () => undefined,
      )
    })
    this.sweep = setInterval(() => this.letGo().catch(() => undefined), LET_GO_EVERY_MS)
    this.sweep.unref()
  }

  /**
   * Takes up every session that was open when the server stopped: what fell due meanwhile is done now. One that can't be
   * read is reported and stays shut; the others go on. Gives those it took up.
   */
  async start(): Promise<string[]> {
    const takenUp: string[] = []
    const open = await this.db.select({ id: sessions.id }).from(sessions).where(eq(sessions.phase, 'open'))
    for (const { id } of open) {
      const state = await this.state(id).catch((error: unknown) => {
        this.log.error({ error: errorFacts(error), sessionId: id }, 'a session could not be taken up')
        return null
      })
      if (!state) continue
      takenUp.push(id)
      for (const participant of participantList(state)) {
        if (participant.connected && participant.hasDevice)
          this.dropLater(participantFollower(id, participant.id, participant.onPhone), DROP_AFTER_RESTART_MS)
      }
      for (const { accountId, name } of state.facilitators.filter(one => one.here))
        this.dropLater(facilitatorFollower(id, { id: accountId, displayName: name }), DROP_AFTER_RESTART_MS)
    }
    return takenUp
  }

  /** The state of a session as it is now. Throws not-found for an unknown one, as everything here does. */
  async state(sessionId: string): Promise<LiveState> {
    return (await this.session(sessionId)).current()
  }

  async command(
    sessionId: string,
    actor: Actor,
    command: Command,
  ): Promise<Result<{ seq: number }, LiveProblem>> {
    return (await this.session(sessionId)).command(actor, command)
  }

  /**
   * Follows a session as one reader; a participant or facilitator counts as present while at least one stream of theirs is
   * open, and the visit of a facilitator ends soon after their last one. Returns how to stop following.
   */
  async follow(
    sessionId: string,
    viewer: Viewer,
    lastSeq: number | null,
    send: (message: StreamMessage, seq: number) => void,
    account: Pick<Account, 'id' | 'displayName'> | null = null,
    onPhone = false,
  ): Promise<() => void> {
    const session = await this.session(sessionId)
    const stop = session.subscribe(viewer, lastSeq, send)
    const follower = followerOf(sessionId, viewer, account, onPhone)
    if (follower) this.arrived(follower)
    return () => {
      stop()
      if (follower) this.left(follower)
    }
  }

  async tellFacilitators(sessionId: string, message: StreamMessage): Promise<void> {
    ;(await this.session(sessionId)).tellFacilitators(message)
  }

  async tellParticipants(
    sessionId: string,
    ...told: Parameters<LiveSession['tellParticipants']>
  ): Promise<void> {
    await (await this.session(sessionId)).tellParticipants(...told)
  }

  /** The time in a session, in milliseconds since 1970: the server's, but in a rehearsal. */
  timeOf(sessionId: string): number {
    return timeAt(this.paces.get(sessionId) ?? null, this.now())
  }

  /** How time runs in a session that is a rehearsal; null in every other. */
  paceOf(sessionId: string): Pace | null {
    return this.paces.get(sessionId) ?? null
  }

  /** Time runs like this in a session from now on: everybody who follows it is told. */
  async setPace(sessionId: string, pace: Pace): Promise<void> {
    this.paces.set(sessionId, pace)
    await (await this.sessions.get(sessionId))?.speedChanged()
  }

  /** Nothing is known of a session any more: it is about to be deleted. */
  async forget(sessionId: string): Promise<void> {
    const session = await this.sessions.get(sessionId)?.catch(() => null)
    await session?.stop()
    this.sessions.delete(sessionId)
    this.paces.delete(sessionId)
    for (const goer of this.goers) goer(sessionId)
  }

  /** Does in every running session what is due now: the clock has been moved. */
  async wake(): Promise<void> {
    for (const session of await this.loaded()) await session.wake()
  }

  /**
   * Forgets sessions that have ended and that nobody follows: whoever asks for one again has it read anew. Only ended ones,
   * because nothing can happen to those any more while two of them are in memory for a moment.
   */
  async letGo(): Promise<void> {
    for (const [sessionId, loading] of this.sessions) {
      const session = await loading.catch(() => null)
      if (!session || session.followers > 0 || session.current().phase !== 'ended') continue
      this.sessions.delete(sessionId)
      for (const goer of this.goers) goer(sessionId)
    }
  }

  /** How many sessions are held in memory. */
  get held(): number {
    return this.sessions.size
  }

  /** Calls the listener when a session is forgotten. */
  onLetGo(goer: (sessionId: string) => void): void {
    this.goers.add(goer)
  }

  /** Calls the listener after every change of any session. */
  onChange(listener: (sessionId: string, state: LiveState) => void): void {
    this.listeners.add(listener)
  }

  async stop(): Promise<void> {
    clearInterval(this.sweep)
    this.deafen()
    for (const timer of this.dropTimers.values()) clearTimeout(timer)
    this.dropTimers.clear()
    for (const session of await this.loaded()) await session.stop()
  }

  /** All that are in memory, without those that turn out not to be readable. */
  private async loaded(): Promise<LiveSession[]> {
    const sessions = await Promise.allSettled(this.sessions.values())
    return sessions.flatMap(one => (one.status === 'fulfilled' ? [one.value] : []))
  }

  private session(sessionId: string): Promise<LiveSession> {
    const known = this.sessions.get(sessionId)
    if (known) return known
    const loading = this.load(sessionId)
    this.sessions.set(sessionId, loading)
    // A session that could not be loaded is tried again by the next who asks.
    loading.catch(() => this.sessions.delete(sessionId))
    return loading
  }

  private async load(sessionId: string): Promise<LiveSession> {
    await getSession(this.db, sessionId)
    return LiveSession.load({
      readLog: after => this.store.read(sessionId, after),
      append: entries => this.store.append(sessionId, entries),
      now: () => this.timeOf(sessionId),
      speed: () => this.paces.get(sessionId)?.speed ?? 1,
      hello: () => {
        const pace = this.paces.get(sessionId)
        return { kind: 'hello', now: this.now(), ...(pace && { pace }) }
      },
      changed: state => {
        for (const listener of this.listeners) listener(sessionId, state)
      },
      failed: error =>
        this.log.error({ error: errorFacts(error), sessionId }, 'a session could not do what it has to'),
    })
  }

  private arrived(follower: Follower): void {
    this.streams.set(follower.key, (this.streams.get(follower.key) ?? 0) + 1)
    clearTimeout(this.dropTimers.get(follower.key))
    this.dropTimers.delete(follower.key)
    this.tell(follower, follower.came)
  }

  private left(follower: Follower): void {
    const streams = (this.streams.get(follower.key) ?? 1) - 1
    if (streams > 0) {
      this.streams.set(follower.key, streams)
      return
    }
    this.streams.delete(follower.key)
    this.dropLater(follower, DROP_AFTER_MS)
  }

  private dropLater(follower: Follower, wait: number): void {
    clearTimeout(this.dropTimers.get(follower.key))
    const timer = setTimeout(() => {
      this.dropTimers.delete(follower.key)
      if (!this.streams.has(follower.key)) this.tell(follower, follower.gone)
    }, wait)
    timer.unref()
    this.dropTimers.set(follower.key, timer)
  }

  private tell({ sessionId, actor }: Follower, command: Command): void {
    this.command(sessionId, actor, command).catch(error =>
      this.log.error({ error: errorFacts(error), sessionId }, 'a coming or going could not be recorded'),
    )
  }
}

/** Somebody whose coming and going means something to a session. */
interface Follower {
  sessionId: string
  /** The same for all streams of one person in one session. */
  key: string
  actor: Actor
  came: Command
  gone: Command
}

function followerOf(
  sessionId: string,
  viewer: Viewer,
  account: Pick<Account, 'id' | 'displayName'> | null,
  onPhone: boolean,
): Follower | null {
  if (viewer.kind === 'participant') return participantFollower(sessionId, viewer.participantId, onPhone)
  return account && viewer.kind === 'facilitator' ? facilitatorFollower(sessionId, account) : null
}

const participantFollower = (sessionId: string, participantId: string, onPhone: boolean): Follower => ({
  sessionId,
  key: `participant:${participantId}`,
  actor: { kind: 'door' },
  came: { type: 'connect', participantId, ...(onPhone && { onPhone }) },
  gone: { type: 'disconnect', participantId },
})

const facilitatorFollower = (
  sessionId: string,
  { id, displayName }: { id: string; displayName: string },
): Follower => ({
  sessionId,
  key: `facilitator:${sessionId}:${id}`,
  actor: { kind: 'facilitator', accountId: id, name: displayName },
  came: { type: 'facilitator-comes' },
  gone: { type: 'facilitator-goes' },
})
