import { eq } from 'drizzle-orm'
import type { Logger } from 'pino'
import type { StreamMessage } from '~/contracts/live'
import type { Actor, Command, LiveProblem } from '~/core/live/commands'
import { type LiveState, participantList } from '~/core/live/state'
import type { Viewer } from '~/core/live/views'
import type { Database } from '../db/database.server'
import { sessions } from '../db/schema.server'
import { errorFacts } from '../error-facts.server'
import type { Result } from '../result'
import { getSession } from '../sessions/sessions.server'
import { appendToLog, readLog } from './event-log.server'
import { LiveSession } from './live-session.server'

/** Somebody whose stream broke comes back within this time without being marked as gone, in milliseconds. */
const DROP_AFTER_MS = 6_000
/** After a restart of the server everybody has this long to come back. */
const DROP_AFTER_RESTART_MS = 30_000

/** All running sessions of this server, and who is connected to them. */
export class LiveHub {
  private readonly sessions = new Map<string, Promise<LiveSession>>()
  private readonly streams = new Map<string, number>()
  private readonly dropTimers = new Map<string, NodeJS.Timeout>()
  private readonly listeners = new Set<(sessionId: string, state: LiveState) => void>()

  constructor(
    private readonly db: Database,
    private readonly log: Logger,
    private readonly now: () => number = Date.now,
  ) {}

  /** Takes up every session that was open when the server stopped: what fell due meanwhile is done now. */
  async start(): Promise<void> {
    const open = await this.db.select({ id: sessions.id }).from(sessions).where(eq(sessions.phase, 'open'))
    for (const { id } of open) {
      const state = await this.state(id)
      for (const participant of participantList(state)) {
        if (participant.connected) this.dropLater(id, participant.id, DROP_AFTER_RESTART_MS)
      }
    }
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
   * Follows a session as one reader; a participant counts as present while at least one stream of theirs is open.
   * Returns how to stop following.
   */
  async follow(
    sessionId: string,
    viewer: Viewer,
    lastSeq: number | null,
    send: (message: StreamMessage, seq: number) => void,
  ): Promise<() => void> {
    const session = await this.session(sessionId)
    const stop = session.subscribe(viewer, lastSeq, send)
    if (viewer.kind === 'participant') this.arrived(sessionId, viewer.participantId)
    return () => {
      stop()
      if (viewer.kind === 'participant') this.left(sessionId, viewer.participantId)
    }
  }

  async tellFacilitators(sessionId: string, message: StreamMessage): Promise<void> {
    ;(await this.session(sessionId)).tellFacilitators(message)
  }

  /** Calls the listener after every change of any session. */
  onChange(listener: (sessionId: string, state: LiveState) => void): void {
    this.listeners.add(listener)
  }

  async stop(): Promise<void> {
    for (const timer of this.dropTimers.values()) clearTimeout(timer)
    this.dropTimers.clear()
    for (const session of this.sessions.values()) await (await session).stop()
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
      readLog: () => readLog(this.db, sessionId),
      append: entries => appendToLog(this.db, sessionId, entries),
      now: this.now,
      changed: state => {
        for (const listener of this.listeners) listener(sessionId, state)
      },
      failed: error =>
        this.log.error({ error: errorFacts(error), sessionId }, 'what fell due could not be done'),
    })
  }

  private arrived(sessionId: string, participantId: string): void {
    this.streams.set(participantId, (this.streams.get(participantId) ?? 0) + 1)
    clearTimeout(this.dropTimers.get(participantId))
    this.dropTimers.delete(participantId)
    this.byDoor(sessionId, { type: 'connect', participantId })
  }

  private left(sessionId: string, participantId: string): void {
    const streams = (this.streams.get(participantId) ?? 1) - 1
    if (streams > 0) {
      this.streams.set(participantId, streams)
      return
    }
    this.streams.delete(participantId)
    this.dropLater(sessionId, participantId, DROP_AFTER_MS)
  }

  private dropLater(sessionId: string, participantId: string, wait: number): void {
    clearTimeout(this.dropTimers.get(participantId))
    const timer = setTimeout(() => {
      this.dropTimers.delete(participantId)
      if (!this.streams.has(participantId)) this.byDoor(sessionId, { type: 'disconnect', participantId })
    }, wait)
    timer.unref()
    this.dropTimers.set(participantId, timer)
  }

  private byDoor(sessionId: string, command: Command): void {
    this.command(sessionId, { kind: 'door' }, command).catch(error =>
      this.log.error({ error: errorFacts(error), sessionId }, 'a coming or going could not be recorded'),
    )
  }
}
