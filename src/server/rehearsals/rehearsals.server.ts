import { eq, isNotNull } from 'drizzle-orm'
import type { Logger } from 'pino'
import { facilitatorView } from '~/core/live/views'
import { randomStream } from '~/core/random/random'
import { castOf } from '~/core/rehearsal/cast'
import { rehearsalFindings } from '~/core/rehearsal/findings'
import { atSpeed, type Pace } from '~/core/rehearsal/pace'
import { pilotMoves } from '~/core/rehearsal/pilot'
import type { RehearsalReport } from '~/core/rehearsal/report'
import type { Script } from '~/core/rehearsal/script'
import type { Account } from '../auth/sign-ins.server'
import { readContributions } from '../boards/contributions.server'
import { serverNow } from '../clock.server'
import { sessions } from '../db/schema.server'
import { errorFacts } from '../error-facts.server'
import { notFound } from '../errors.server'
import { readLog } from '../live/database-session-store.server'
import { askAsFacilitator } from '../live/requests.server'
import { done, type Result, refused } from '../result'
import { prepareOpening } from '../sessions/opening.server'
import { getSession, runningOrderOf, type SessionProblem } from '../sessions/sessions.server'
import { newId, newJoinCode } from '../tokens.server'
import { isShort, onWorkThread } from '../work/work-thread.server'
import { Crowd, type Ground } from './crowd.server'

/** Rehearsals at once: each is a class that writes, beside those that are real. */
export const MOST_REHEARSALS = 3
/** So long before the time of the session its doors open, in milliseconds. */
const OPENS_BEFORE_MS = 2 * 60_000
/** Without anybody at the front for so long a rehearsal ends, in milliseconds. */
const LEFT_FOR_MS = 20 * 60_000
/** How often whoever runs it by itself looks what is to be done, in milliseconds. */
const PILOT_EVERY_MS = 250

export type RehearsalProblem = SessionProblem | { code: 'too-many-rehearsals' } | { code: 'could-not-open' }

/** Who is at the front while it goes on by itself. */
const PILOT: Account = { id: 'simulated', email: '', displayName: 'Simulated co-facilitator' }

interface Running {
  /** The session whose plan it is. */
  ofId: string
  accountId: string
  script: Script
  crowd: Crowd
  /** The segments of the plan, as it was when it began. */
  segmentIds: readonly string[]
  /** It goes on by itself. */
  itself: boolean
  /** When somebody real was last seen at the front, on the server's clock. */
  seenAt: number
  ending: Promise<RehearsalReport> | null
}

/**
 * Rehearsals: plans tried out with simulated participants, in sessions of their own that belong to no cohort, that no list shows and no
 * history counts, and that are deleted when they end. Time runs faster in them.
 */
export class Rehearsals {
  private readonly running = new Map<string, Running>()
  /** Being opened, by who begins them and the session they are of. */
  private readonly beginning = new Map<string, Promise<Result<string, RehearsalProblem>>>()
  private readonly timer: NodeJS.Timeout
  private piloting: Promise<void> | null = null

  constructor(
    private readonly ground: Ground,
    private readonly log: Logger,
  ) {
    this.timer = setInterval(() => {
      this.piloting ??= this.look().finally(() => {
        this.piloting = null
      })
    }, PILOT_EVERY_MS)
    this.timer.unref()
  }

  /** Deletes what a server that was stopped left of rehearsals. */
  async start(): Promise<void> {
    await this.ground.db.delete(sessions).where(isNotNull(sessions.rehearsalOf))
  }

  /** Opens a rehearsal of a planned session; one of this account's before it ends. Asked twice at once, it opens one. Gives its id. Throws not-found. */
  begin(account: Account, sessionId: string, script: Script): Promise<Result<string, RehearsalProblem>> {
    const key = `${account.id} ${sessionId}`
    const begun =
      this.beginning.get(key) ??
      Promise.resolve()
        .then(() => this.open(account, sessionId, script))
        .finally(() => this.beginning.delete(key))
    this.beginning.set(key, begun)
    return begun
  }

  private async open(
    account: Account,
    sessionId: string,
    script: Script,
  ): Promise<Result<string, RehearsalProblem>> {
    const { db, hub } = this.ground
    for (const [id, { accountId }] of this.running) if (accountId === account.id) await this.end(id)
    // This one is among those that are being opened.
    if (this.running.size + this.beginning.size > MOST_REHEARSALS)
      return refused({ code: 'too-many-rehearsals' })
    const session = await getSession(db, sessionId)
    if (session.rehearsalOf !== null) throw notFound('session')
    const plan = await prepareOpening(db, sessionId)
    if (!plan.ok) return plan
    const id = newId()
    const { startsAt, timeZone, roomMinutes, graceSeconds, waitingList, minutes } = session
    // By its name it is known on every page that names it: at the door, on people's own links, in what is taken out.
    const title = `Rehearsal: ${session.title}`
    await db.insert(sessions).values({
      ...{ id, title, startsAt, timeZone, roomMinutes, graceSeconds, waitingList, minutes },
      joinCode: newJoinCode(),
      rehearsalOf: sessionId,
    })
    const real = serverNow()
    await hub.setPace(id, { real, at: startsAt.getTime() - OPENS_BEFORE_MS, speed: script.speed })
    const opened = await hub.command(id, actorOf(account), {
      type: 'open',
      // Whoever rehearses does everything, and so does who stands in for them.
      plan: { ...plan.value, title, rehearsal: true, groupingVersion: null, duties: undefined },
    })
    if (!opened.ok) {
      await this.remove(id)
      return refused({ code: 'could-not-open' })
    }
    const seed = Math.floor(real / 1_000) % 2 ** 31
    const cast = castOf(script, plan.value.people, randomStream(seed))
    const crowd = new Crowd(this.ground, id, cast, seed, error => this.failed(error, id))
    this.running.set(id, {
      ...{ ofId: sessionId, accountId: account.id, script, crowd },
      segmentIds: runningOrderOf(session).map(segment => segment.id),
      itself: false,
      seenAt: real,
      ending: null,
    })
    if (script.itself) await this.goOnByItself(id, true)
    return done(id)
  }

  /** The session whose plan is tried out, how fast, and whether it goes on by itself; null for what is no rehearsal that runs. */
  of(sessionId: string): { ofId: string; pace: Pace; itself: boolean } | null {
    const running = this.running.get(sessionId)
    const pace = this.ground.hub.paceOf(sessionId)
    return running && pace ? { ofId: running.ofId, pace, itself: running.itself } : null
  }

  /** Throws not-found, as everything here does for what is no rehearsal. */
  async setSpeed(sessionId: string, speed: number): Promise<void> {
    this.found(sessionId)
    const pace = this.ground.hub.paceOf(sessionId)
    if (pace) await this.ground.hub.setPace(sessionId, atSpeed(pace, serverNow(), speed))
  }

  /** From now on somebody simulated does what is to be done at the front, or nobody does. */
  async goOnByItself(sessionId: string, itself: boolean): Promise<void> {
    const running = this.found(sessionId)
    running.itself = itself
    await this.ground.hub.command(sessionId, actorOf(PILOT), {
      type: itself ? 'facilitator-comes' : 'facilitator-goes',
    })
  }

  /** What opens a simulated participant's page in a browser; null for whoever is none. */
  tokenOf(sessionId: string, participantId: string): string | null {
    return this.found(sessionId).crowd.tokenOf(participantId)
  }

  /** Ends a rehearsal, keeps what it showed with the plan, and deletes all else of it. */
  end(sessionId: string): Promise<RehearsalReport> {
    const running = this.found(sessionId)
    running.ending ??= this.finish(sessionId, running).catch((error: unknown) => {
      running.ending = null
      throw error
    })
    return running.ending
  }

  /** Nothing goes on by itself any more; what is left is deleted at the next start. */
  async stop(): Promise<void> {
    clearInterval(this.timer)
    await this.piloting
    for (const { crowd } of this.running.values()) await crowd.stop()
  }

  private async finish(sessionId: string, { ofId, crowd, segmentIds }: Running): Promise<RehearsalReport> {
    const { db, hub, boards } = this.ground
    await crowd.stop()
    await boards.settled()
    const state = await hub.state(sessionId)
    const [log, written] = await Promise.all([
      readLog(db, sessionId),
      readContributions(
        db,
        state.rooms.map(({ copyId }) => copyId),
      ),
    ])
    const now = hub.timeOf(sessionId)
    const task = { log, written: written.map(({ copyId, promptId, at }) => ({ copyId, promptId, at })), now }
    // Everybody who looks on is told that it is over; broken off, it is not said to have ended.
    await hub.command(sessionId, actorOf(PILOT), { type: 'end' })
    const findings = isShort(log)
      ? rehearsalFindings(task.log, task.written, task.now)
      : await onWorkThread('findings', task)
    const report: RehearsalReport = {
      at: serverNow(),
      people: crowd.size,
      rounds: state.pastRounds.length + (state.round ? 1 : 0),
      written: new Set(written.map(({ copyId, promptId, entryId }) => `${copyId} ${promptId} ${entryId}`))
        .size,
      findings: findings.map(({ segment, code, text }) => ({
        segmentId: segment === null ? null : (segmentIds[segment] ?? null),
        code,
        text,
      })),
    }
    await db.update(sessions).set({ rehearsed: report }).where(eq(sessions.id, ofId))
    await this.remove(sessionId)
    return report
  }

  private async remove(sessionId: string): Promise<void> {
    this.running.delete(sessionId)
    await this.ground.hub.forget(sessionId)
    await this.ground.db.delete(sessions).where(eq(sessions.id, sessionId))
  }

  private async look(): Promise<void> {
    for (const [sessionId, running] of [...this.running]) {
      if (running.ending) continue
      try {
        const state = await this.ground.hub.state(sessionId)
        const now = serverNow()
        if (state.facilitators.some(({ here, accountId }) => here && accountId !== PILOT.id))
          running.seenAt = now
        if (now - running.seenAt > LEFT_FOR_MS) await this.end(sessionId)
        else if (running.itself) await this.pilot(sessionId, running)
      } catch (error) {
        this.failed(error, sessionId)
      }
    }
  }

  private async pilot(sessionId: string, running: Running): Promise<void> {
    const { db, hub } = this.ground
    const view = facilitatorView(await hub.state(sessionId))
    for (const move of pilotMoves(view, PILOT.id, running.script, hub.timeOf(sessionId))) {
      // Told to stop, or the rehearsal ended, between two moves.
      if (!running.itself || running.ending) return
      await askAsFacilitator({ db, hub }, PILOT, sessionId, move)
    }
  }

  private found(sessionId: string): Running {
    const running = this.running.get(sessionId)
    if (!running) throw notFound('session')
    return running
  }

  private failed(error: unknown, sessionId: string): void {
    this.log.error({ error: errorFacts(error), sessionId }, 'something in a rehearsal could not be done')
  }
}

const actorOf = ({ id, displayName }: Account) =>
  ({ kind: 'facilitator', accountId: id, name: displayName }) as const
