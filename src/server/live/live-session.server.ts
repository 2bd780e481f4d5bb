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
import { type MadeView, type Viewer, viewAfter } from '~/core/live/views'
import { done, type Result, refused } from '../result'
import { changes, type Sections, wholeView } from './sections.server'
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

interface Subscriber {
  viewer: Viewer
  /** The view they were told last. */
  made: MadeView | null
  sections: Sections
  send: (message: StreamMessage, seq: number) => void
}

/** What a reader will be told of a state that is being written. */
interface Foretold {
  /** What the reader held when it was worked out. */
  before: Sections
  made: MadeView | null
  sections: Sections
  message: StreamMessage | null
}

/** So many states are kept to tell a reader who was away only what changed since. */
const KEPT_STATES = 400
/** So many are sent something long before others are looked after again. */
const TOLD_IN_A_TURN = 100
/** How often a command is decided anew because another server wrote into the log first. */
const MOST_RACES = 5
/** So many commands are decided and written together; between them everybody else's requests are looked after. */
const MOST_AT_ONCE = 50
/** Pause before what fell due is tried again after the log could not be written, in milliseconds. */
const RETRY_MS = 1_000
/** From so many readers on, telling them takes long enough to be counted. */
const MANY_READERS = 50
/** After telling many, so many times as long as it took goes to everybody else before they are told again. */
const REST_FACTOR = 4
/** Facilitators are told so often in two seconds at once; of more, as when hundreds answer a question, together and so often, in milliseconds. */
const FACILITATORS_AT_ONCE = 8
const FACILITATORS_WITHIN_MS = 2_000
const FACILITATORS_TOLD_EVERY_MS = 250
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
  /** Those of the round, as they were told last. */
  private marksTold: { from: number | undefined; length: number; marks: Mark[] } = {
    from: undefined,
    length: 0,
    marks: [],
  }
  private readonly recent = new Map<number, LiveState>()
  private readonly subscribers = new Set<Subscriber>()
  private readonly asked: Asked[] = []
  private writing: Promise<void> | null = null
  private timer: NodeJS.Timeout | undefined
  private telling: NodeJS.Timeout | undefined
  /** Until then readers are not told anew; on the clock of `performance`. */
  private restUntil = 0
  /** When facilitators were told last, as far as it counts; on the clock of `performance`. */
  private facilitatorsToldAt: number[] = []
  private facilitatorsWait: NodeJS.Timeout | undefined
  /** Worked out while the log is written, for the readers of whom there are many; told once it is on disk. */
  private foretold: { state: LiveState; of: ReadonlyMap<Subscriber, Foretold> } | null = null
  private stopped = false
  /** The log may have moved on without us: read it before deciding anything. */
  private behind = false
  /** The last place we are writing to ourselves. */
  private expected = 0

  private constructor(private readonly ports: SessionPorts) {}

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
  subscribe(viewer: Viewer, lastSeq: number | null, send: Subscriber['send']): () => void {
    const before = lastSeq === null ? undefined : this.recent.get(lastSeq)
    const made = before ? viewAfter(null, before, viewer) : null
    const subscriber: Subscriber = {
      viewer,
      made,
      // Marks are not part of the state, so which of them the reader already had is not known.
      sections: before ? { ...this.sectionsOf(before, viewer, made), marks: undefined } : {},
      send,
    }
    this.subscribers.add(subscriber)
    send(this.ports.hello(), this.state.seq)
    this.tell(subscriber, before ? 'change' : 'view')
    return () => this.subscribers.delete(subscriber)
  }

  /** Sends something beside the view to the facilitators who follow. */
  tellFacilitators(message: StreamMessage): void {
    for (const subscriber of this.subscribers) {
      if (subscriber.viewer.kind === 'facilitator') subscriber.send(message, this.state.seq)
    }
  }

  /** Sends something beside the view to those participants who follow and for whom it is, so many in one turn of the event loop. */
  async tellParticipants(
    message: StreamMessage,
    isFor: (state: LiveState, participant: Participant) => boolean,
  ): Promise<void> {
    let told = 0
    for (const subscriber of [...this.subscribers]) {
      const { viewer, send } = subscriber
      const participant =
        viewer.kind === 'participant' ? this.state.participants.get(viewer.participantId) : undefined
      // Some have gone, or something else was put up, while others were told.
      if (!participant || !this.subscribers.has(subscriber) || !isFor(this.state, participant)) continue
      send(message, this.state.seq)
      if (++told % TOLD_IN_A_TURN === 0) await setImmediate()
    }
  }

  /** Time goes at another speed from now on: everybody is told, and what is to be done by itself comes sooner or later. */
  async speedChanged(): Promise<void> {
    for (const { send } of this.subscribers) send(this.ports.hello(), this.state.seq)
    await this.wake()
  }

  get followers(): number {
    return this.subscribers.size
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
    if (this.telling) this.tellAll()
    if (this.facilitatorsWait) this.tellEach('facilitator')
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
      try {
        const written = this.ports.append(entries)
        // The connection takes what is to be written at the end of this turn; only then does the disk work beside us.
        await Promise.race([written, setImmediate()])
        this.foretell(states.at(-1) as LiveState)
        await written
        this.take(
          entries.map(entry => entry.recorded),
          states,
        )
        this.publish()
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
    }, RETRY_MS)
    this.timer.unref()
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
    this.recent.set(this.state.seq, this.state)
    const oldest = this.recent.keys().next().value
    if (this.recent.size > KEPT_STATES && oldest !== undefined) this.recent.delete(oldest)
  }

  /**
   * Tells everybody of the state as it is. While a class joins, every one who comes would be told to all who have come: readers are then
   * told of several at once, and boards and other sessions have the thread in between.
   */
  private publish(): void {
    const wait = this.restUntil - performance.now()
    if (wait <= 0) this.tellAll()
    else if (!this.telling) this.telling = setTimeout(() => this.tellAll(), wait)
    try {
      this.ports.changed(this.state)
    } catch (error) {
      this.ports.failed(error)
    }
  }

  /** The disk takes as long as working out what everybody is to be told: both are done at once. */
  private foretell(state: LiveState): void {
    this.foretold = null
    if (this.telling || this.restUntil > performance.now()) return
    const of = new Map<Subscriber, Foretold>()
    try {
      for (const subscriber of this.subscribers) {
        // Facilitators are few, and what they are told is not in the state alone.
        if (subscriber.viewer.kind === 'facilitator') continue
        const before = subscriber.sections
        const made = viewAfter(subscriber.made, state, subscriber.viewer)
        const sections = this.sectionsOf(state, subscriber.viewer, made)
        of.set(subscriber, { before, made, sections, message: changes(before, sections) })
      }
      this.foretold = { state, of }
    } catch (error) {
      this.ports.failed(error)
    }
  }

  /** A reader who cannot be told is let go, and keeps nobody else from hearing. */
  private tellAll(): void {
    clearTimeout(this.telling)
    this.telling = undefined
    const began = performance.now()
    this.tellEach('others')
    this.tellFacilitatorsInTime(began)
    this.foretold = null
    const ended = performance.now()
    if (this.subscribers.size >= MANY_READERS) this.restUntil = ended + (ended - began) * REST_FACTOR
  }

  private tellEach(which: 'facilitator' | 'others'): void {
    if (which === 'facilitator') {
      clearTimeout(this.facilitatorsWait)
      this.facilitatorsWait = undefined
      this.facilitatorsToldAt.push(performance.now())
    }
    for (const subscriber of this.subscribers) {
      if ((subscriber.viewer.kind === 'facilitator') !== (which === 'facilitator')) continue
      try {
        this.tell(subscriber, 'change')
      } catch (error) {
        this.subscribers.delete(subscriber)
        this.ports.failed(error)
      }
    }
  }

  /** What they are told is the most there is, and their pages draw all of it: of what comes thick and fast they are told together. */
  private tellFacilitatorsInTime(now: number): void {
    if (this.facilitatorsWait) return
    this.facilitatorsToldAt = this.facilitatorsToldAt.filter(at => now - at < FACILITATORS_WITHIN_MS)
    const wait =
      (this.facilitatorsToldAt.at(-1) ?? Number.NEGATIVE_INFINITY) + FACILITATORS_TOLD_EVERY_MS - now
    if (this.facilitatorsToldAt.length < FACILITATORS_AT_ONCE || wait <= 0) this.tellEach('facilitator')
    else {
      this.facilitatorsWait = setTimeout(() => this.tellEach('facilitator'), wait)
      this.facilitatorsWait.unref()
    }
  }

  private tell(subscriber: Subscriber, kind: 'view' | 'change'): void {
    const known = this.foretold?.state === this.state ? this.foretold.of.get(subscriber) : undefined
    if (kind === 'change' && known?.before === subscriber.sections) {
      subscriber.made = known.made
      subscriber.sections = known.sections
      if (known.message) subscriber.send(known.message, this.state.seq)
      return
    }
    const made = viewAfter(subscriber.made, this.state, subscriber.viewer)
    const sections = this.sectionsOf(this.state, subscriber.viewer, made)
    const message = kind === 'view' ? wholeView(sections) : changes(subscriber.sections, sections)
    subscriber.made = made
    subscriber.sections = sections
    if (message) subscriber.send(message, this.state.seq)
  }

  private sectionsOf(state: LiveState, viewer: Viewer, made: MadeView | null): Sections {
    const view = (made?.view ?? {}) as Sections
    return viewer.kind === 'facilitator' ? { ...view, marks: this.marksOfRound(state) } : view
  }

  /** The marks of the round that runs, or of the last one: what the lanes show live. */
  private marksOfRound(state: LiveState): Mark[] {
    const from = state.round?.startedAt ?? state.pastRounds.at(-1)?.startedAt
    const { length } = this.marks
    if (this.marksTold.from !== from || this.marksTold.length !== length)
      this.marksTold = {
        from,
        length,
        marks: from === undefined ? [] : this.marks.filter(mark => mark.at >= from),
      }
    return this.marksTold.marks
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
