import { setImmediate } from 'node:timers/promises'
import type { StreamMessage } from '~/contracts/live'
import type { Actor } from '~/core/live/actors'
import { decide } from '~/core/live/decide'
import type { Participant } from '~/core/live/door/people'
import { due, nextDue } from '~/core/live/due'
import { evolve } from '~/core/live/evolve'
import { allMarks, type Mark, marksOf } from '~/core/live/marks'
import type { Command, LiveProblem, Recorded } from '~/core/live/topics'
import { type LiveState, unopened } from '~/core/live/topics'
import type { Viewer } from '~/core/live/views'
import { done, type Result, refused } from '../result'
import { Readers, type SendTo } from './readers.server'
import { type Entry, LogRaceError } from './session-store'

/** What a session needs from the world outside: its log, the time, and somebody to tell. */
export interface SessionPorts {
  /** What the log says after `seq`, in order. */
  readLog(after: number): Promise<Recorded[]>
  append(entries: readonly Entry[]): Promise<void>
  /** The time in the session; a rehearsal's goes faster than the clock. */
  now(): number
  /** How many times as fast. */
  speed(): number
  /** What whoever begins to follow is told of the time. */
  hello(): StreamMessage
  changed(state: LiveState): void
  /** Told of what nobody waits for: something that fell due, or a reader who could not be told. */
  failed(error: unknown): void
}

type Outcome = Result<{ seq: number }, LiveProblem>

interface Asked {
  actor: Actor
  command: Command
  settle: (outcome: Outcome) => void
  fail: (error: unknown) => void
}

/** How often a command is decided anew because another server wrote into the log first. */
const MOST_RACES = 5
/** So many commands are decided and written together; between them everybody else's requests are looked after. */
const MOST_AT_ONCE = 50
/** Pause before what fell due is tried again after the log could not be written, or read; reading again and again waits longer each time. In milliseconds. */
const RETRY_MS = 1_000
const LONGEST_RETRY_MS = 15_000
/** setTimeout counts in 32 bits. */
const LONGEST_WAIT = 2 ** 31 - 1

/**
 * One running session: its log folded, and those who follow it. Commands are decided one after the other; those
 * that arrive while the log is being written are written together next, so that a whole class can join at once.
 * Nothing is told to anybody before it is on disk.
 */
export class LiveSession {
  private state: LiveState = unopened
  private marks: Mark[] = []
  private readonly readers: Readers
  private readonly asked: Asked[] = []
  private writing: Promise<void> | null = null
  private timer: NodeJS.Timeout | undefined
  private stopped = false
  /** The log may have moved on without us: read it before deciding anything. */
  private behind = false
  /** Pause before the log is read again where it could not be. */
  private pause = RETRY_MS
  /** The last place we are writing to ourselves. */
  private expected = 0

  private constructor(private readonly ports: SessionPorts) {
    this.readers = new Readers({
      state: () => this.state,
      marks: () => this.marks,
      hello: () => ports.hello(),
      failed: error => ports.failed(error),
    })
  }

  /** Folds the log and does what fell due while nobody was there. */
  static async load(ports: SessionPorts): Promise<LiveSession> {
    const session = new LiveSession(ports)
    session.take(await ports.readLog(0))
    // A log that can be read and not written now is still worth showing; what is due is tried again by itself.
    await session.doWhatIsDue().catch(ports.failed)
    return session
  }

  current(): LiveState {
    return this.state
  }

  /** Decides a command, and resolves once what follows from it is on disk. */
  command(actor: Actor, command: Command): Promise<Outcome> {
    return new Promise((settle, fail) => {
      this.asked.push({ actor, command, settle, fail })
      this.writing ??= this.writeAll()
    })
  }

  /**
   * Follows the session as one reader. `lastSeq` is where the reader was before a drop: when that is still known,
   * only what changed for them since is sent, otherwise the whole view. Returns how to stop following.
   */
  subscribe(viewer: Viewer, lastSeq: number | null, send: SendTo): () => void {
    return this.readers.add(viewer, lastSeq, send)
  }

  /** Sends something beside the view to the facilitators who follow. */
  tellFacilitators(message: StreamMessage): void {
    this.readers.sendFacilitators(message)
  }

  /** Sends something beside the view to those participants who follow and for whom it is. */
  tellParticipants(
    message: StreamMessage,
    isFor: (state: LiveState, participant: Participant) => boolean,
  ): Promise<void> {
    return this.readers.sendParticipants(message, isFor)
  }

  /** Time goes at another speed from now on: everybody is told, and what is to be done by itself comes sooner or later. */
  async speedChanged(): Promise<void> {
    this.readers.greet()
    await this.wake()
  }

  get followers(): number {
    return this.readers.count
  }

  /** The log has been written on up to `seq`, perhaps by somebody else: then what it says is taken in, and readers told. */
  heard(seq: number): void {
    if (this.stopped || seq <= Math.max(this.state.seq, this.expected)) return
    this.behind = true
    this.writing ??= this.writeAll()
  }

  /** Does what is due now, whenever it was to be done. */
  wake(): Promise<void> {
    return this.doWhatIsDue()
  }

  /** Resolves once nothing is being written or read. */
  async settled(): Promise<void> {
    await this.writing
  }

  /** Waits for what is being written and does nothing by itself any more. */
  async stop(): Promise<void> {
    this.stopped = true
    clearTimeout(this.timer)
    await this.settled()
    this.readers.finish()
  }

  private async writeAll(): Promise<void> {
    await Promise.resolve()
    let isRead = true
    do {
      await this.writeAsked()
      if (this.behind) isRead = await this.caughtUp()
      // Commands may be asked for, and more be heard of, while the log is read.
    } while (this.asked.length > 0 || (this.behind && isRead))
    this.writing = null
    if (this.behind) this.readLater()
    else this.schedule()
  }

  private async writeAsked(): Promise<void> {
    while (this.asked.length > 0) {
      const batch = this.asked.splice(0, MOST_AT_ONCE)
      try {
        const outcomes = await this.write(batch)
        batch.forEach((asked, index) => {
          asked.settle(outcomes[index] as Outcome)
        })
      } catch (error) {
        for (const asked of batch) asked.fail(error)
      }
    }
  }

  /** Decides a batch and writes what follows; decides anew, a few times, when another server wrote first. */
  private async write(batch: Asked[]): Promise<Outcome[]> {
    for (let race = 1; ; race++) {
      if (this.behind) await this.catchUp()
      const { entries, states, outcomes } = this.decideAll(batch)
      if (entries.length === 0) return outcomes
      this.expected = entries.at(-1)?.recorded.seq ?? 0
      const awaited = entries.some(({ actor }) => actor.kind === 'facilitator')
      try {
        const written = this.ports.append(entries)
        // The connection takes what is to be written at the end of this turn; only then does the disk work beside us.
        await Promise.race([written, setImmediate()])
        this.readers.foretell(states.at(-1) as LiveState, awaited)
        await written
        this.take(
          entries.map(entry => entry.recorded),
          states,
        )
        this.publish(awaited)
        return outcomes
      } catch (error) {
        this.expected = 0
        // Whether or not the entries reached the disk is known only from the log itself.
        this.behind = true
        if (!(error instanceof LogRaceError) || race >= MOST_RACES) throw error
      }
    }
  }

  /** `states`: what each entry leads to. */
  private decideAll(batch: Asked[]): { entries: Entry[]; states: LiveState[]; outcomes: Outcome[] } {
    const at = this.ports.now()
    let next = this.state
    const entries: Entry[] = []
    const states: LiveState[] = []
    const outcomes = batch.map((asked): Outcome => {
      const decision = decide(next, asked.command, asked.actor, at)
      if (!decision.ok) return refused(decision.problem)
      for (const event of decision.events) {
        const recorded = { seq: next.seq + 1, at, event }
        next = evolve(next, recorded)
        entries.push({ recorded, actor: asked.actor })
        states.push(next)
      }
      return done({ seq: next.seq })
    })
    return { entries, states, outcomes }
  }

  /** Takes what the log says beyond what is known here, and tells readers of it. */
  private async catchUp(): Promise<void> {
    // What is heard of while it is read may come too late for it.
    this.behind = false
    try {
      const more = await this.ports.readLog(this.state.seq)
      this.pause = RETRY_MS
      if (more.length === 0) return
      this.take(more)
      this.publish()
    } catch (error) {
      this.behind = true
      throw error
    }
  }

  /** The same, where nobody waits for it: whether it could be read. */
  private async caughtUp(): Promise<boolean> {
    try {
      await this.catchUp()
      return true
    } catch (error) {
      this.ports.failed(error)
      return false
    }
  }

  private readLater(): void {
    clearTimeout(this.timer)
    if (this.stopped) return
    this.timer = setTimeout(() => {
      this.writing ??= this.writeAll()
    }, this.pause)
    this.timer.unref()
    this.pause = Math.min(2 * this.pause, LONGEST_RETRY_MS)
  }

  /** `states`: what each entry leads to, where that is known already. */
  private take(log: readonly Recorded[], states: readonly LiveState[] = []): void {
    if (this.state.seq === 0) {
      this.marks = allMarks(log)
      this.state = log.reduce(evolve, this.state)
    } else {
      for (const [index, recorded] of log.entries()) {
        this.marks.push(...marksOf(this.state, recorded))
        this.state = states[index] ?? evolve(this.state, recorded)
      }
    }
  }

  /** Tells whoever follows, and whoever is told of each state, of the state as it is. */
  private publish(awaited = false): void {
    this.readers.tellSoon(awaited)
    try {
      this.ports.changed(this.state)
    } catch (error) {
      this.ports.failed(error)
    }
  }

  private schedule(leastWait = 0): void {
    clearTimeout(this.timer)
    const at = nextDue(this.state)
    if (at === null || this.stopped) return
    const wait = Math.min(Math.max(leastWait, (at - this.ports.now()) / this.ports.speed()), LONGEST_WAIT)
    this.timer = setTimeout(() => {
      this.doWhatIsDue().catch(this.ports.failed)
    }, wait)
    this.timer.unref()
  }

  /** One thing that fell due can make the next one due, so it asks until nothing is, or nothing came of it. */
  private async doWhatIsDue(): Promise<void> {
    for (;;) {
      const before = this.state.seq
      const [command] = due(this.state, this.ports.now())
      if (!command) break
      await this.command({ kind: 'clock' }, command)
      if (this.state.seq === before) return this.schedule(RETRY_MS)
    }
    this.schedule()
  }
}
