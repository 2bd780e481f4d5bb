import { setImmediate as nextTurn } from 'node:timers/promises'
import type { StreamMessage } from '~/contracts/live'
import type { Participant } from '~/core/live/door/people'
import type { Mark } from '~/core/live/marks'
import type { LiveState } from '~/core/live/topics'
import { type MadeView, type Viewer, viewAfter } from '~/core/live/views'
import { changes, type Sections, wholeView } from './sections.server'

/** What they read of, and who hears what went wrong. */
export interface ReadOf {
  state(): LiveState
  marks(): readonly Mark[]
  /** What whoever begins to follow is told of the time. */
  hello(): StreamMessage
  failed(error: unknown): void
}

/** `seq` is the place in the log of the state that the reader was told of, 0 before the first. */
export type SendTo = (message: StreamMessage, seq: number) => void

interface Reader {
  viewer: Viewer
  /** The view they were told last. */
  made: MadeView | null
  sections: Sections
  send: SendTo
}

/** What a reader will be told of a state that is being written. */
interface Foretold {
  /** What the reader held when it was worked out. */
  before: Sections
  made: MadeView | null
  sections: Sections
  message: StreamMessage | null
}

/**
 * So many states that somebody was told are kept, to tell who was away only what changed since. With each stays what views made of
 * it: too many of them, and the collection of young objects has more to carry than to throw away.
 */
const KEPT_STATES = 100
/** So many are sent something long before others are looked after again. */
const TOLD_IN_A_TURN = 100
/** Readers are told what changed for so long in one turn of the event loop, in milliseconds. */
const TOLD_FOR_MS = 30
/** From so many readers on, telling them takes long enough to be counted. */
const MANY_READERS = 50
/** After telling many, so many times as long as it took goes to everybody else before they are told again. */
const REST_FACTOR = 4
/** Facilitators are told so often in two seconds at once; of more, as when hundreds answer a question, together and so often, in milliseconds. */
const FACILITATORS_AT_ONCE = 8
const FACILITATORS_WITHIN_MS = 2_000
const FACILITATORS_TOLD_EVERY_MS = 250

/** Those who follow a session: each is told their own view of it, and then what changed in that. */
export class Readers {
  private readonly readers = new Set<Reader>()
  /** States that somebody was told, by their place in the log. */
  private readonly told = new Map<number, LiveState>()
  /** The marks of the round, as they were told last. */
  private marksTold: { from: number | undefined; length: number; marks: Mark[] } = {
    from: undefined,
    length: 0,
    marks: [],
  }
  private telling: NodeJS.Timeout | undefined
  /** Those who are still to be told of the state as it is, who waits longest first. */
  private readonly waiting = new Set<Reader>()
  private nextTurn: NodeJS.Immediate | undefined
  /** How long telling all of them took so far, in milliseconds, and whether they are to be told anew afterwards. */
  private toldFor = 0
  private isToTellAnew = false
  /** Until then readers are not told anew; on the clock of `performance`. */
  private restUntil = 0
  /** When facilitators were told last, as far as it counts; on the clock of `performance`. */
  private facilitatorsToldAt: number[] = []
  private facilitatorsWait: NodeJS.Timeout | undefined
  /** Worked out while the log is written, for the readers of whom there are many; told once it is on disk. */
  private foretold: { state: LiveState; of: ReadonlyMap<Reader, Foretold> } | null = null

  constructor(private readonly session: ReadOf) {}

  get count(): number {
    return this.readers.size
  }

  /**
   * Adds one. `lastSeq` is where they were before a drop: when that is still known, only what changed for them since is sent,
   * otherwise the whole view. Returns how to stop following.
   */
  add(viewer: Viewer, lastSeq: number | null, send: SendTo): () => void {
    const before = lastSeq === null ? undefined : this.stateAt(lastSeq)
    const made = before ? viewAfter(null, before, viewer) : null
    const reader: Reader = {
      viewer,
      made,
      // Marks are not part of the state, so which of them the reader already had is not known.
      sections: before ? { ...this.sectionsOf(before, viewer, made), marks: undefined } : {},
      send,
    }
    this.readers.add(reader)
    this.send(reader, this.session.hello())
    this.tell(reader, before ? 'change' : 'view')
    return () => this.readers.delete(reader)
  }

  /** Sends everybody the time anew. */
  greet(): void {
    for (const reader of this.readers) this.send(reader, this.session.hello())
  }

  /** Sends something beside the view to the facilitators. */
  sendFacilitators(message: StreamMessage): void {
    for (const reader of this.readers) if (reader.viewer.kind === 'facilitator') this.send(reader, message)
  }

  /** Sends something beside the view to those participants for whom it is, so many in one turn of the event loop. */
  async sendParticipants(
    message: StreamMessage,
    isFor: (state: LiveState, participant: Participant) => boolean,
  ): Promise<void> {
    let told = 0
    for (const reader of [...this.readers]) {
      const { viewer } = reader
      const state = this.session.state()
      const participant =
        viewer.kind === 'participant' ? state.participants.get(viewer.participantId) : undefined
      // Some have gone, or something else was put up, while others were told.
      if (!participant || !this.readers.has(reader) || !isFor(state, participant)) continue
      this.send(reader, message)
      if (++told % TOLD_IN_A_TURN === 0) await nextTurn()
    }
  }

  /**
   * Tells everybody of the state as it is. While a class joins, every one who comes would be told to all who have come: readers are then
   * told of several at once, and boards and other sessions have the thread in between. What is `awaited`, as all that a facilitator
   * does, is told at once.
   */
  tellSoon(awaited: boolean): void {
    const wait = this.restUntil - performance.now()
    if (awaited) this.tellAll()
    else if (this.waiting.size > 0) this.isToTellAnew = true
    else if (wait <= 0) this.tellAll()
    else if (!this.telling) this.telling = setTimeout(() => this.tellAll(), wait)
  }

  /** What waits to be told is told. */
  finish(): void {
    if (this.telling || this.isToTellAnew) this.tellAll()
    this.tellWaiting(Number.POSITIVE_INFINITY)
    if (this.facilitatorsWait) this.tellFacilitators()
  }

  /** The disk takes as long as working out what everybody is to be told: both are done at once. */
  foretell(state: LiveState, awaited: boolean): void {
    this.foretold = null
    if (!awaited && (this.telling || this.waiting.size > 0 || this.restUntil > performance.now())) return
    const of = new Map<Reader, Foretold>()
    try {
      for (const reader of this.readers) {
        // Facilitators are few, and what they are told is not in the state alone.
        if (reader.viewer.kind === 'facilitator') continue
        const before = reader.sections
        const made = viewAfter(reader.made, state, reader.viewer)
        const sections = this.sectionsOf(state, reader.viewer, made)
        of.set(reader, { before, made, sections, message: changes(before, sections) })
      }
      this.foretold = { state, of }
    } catch (error) {
      this.session.failed(error)
    }
  }

  private tellAll(): void {
    clearTimeout(this.telling)
    this.telling = undefined
    this.isToTellAnew = false
    const began = performance.now()
    for (const reader of this.readers) if (reader.viewer.kind !== 'facilitator') this.waiting.add(reader)
    this.tellWaiting()
    this.tellFacilitatorsInTime(began)
  }

  /** Tells those who wait, and goes on in the next turn with whom there was no time for. */
  private tellWaiting(most = TOLD_FOR_MS): void {
    const began = performance.now()
    let took = 0
    for (const reader of this.waiting) {
      if (took > most) break
      this.waiting.delete(reader)
      this.tellOne(reader)
      took = performance.now() - began
    }
    this.toldFor += took
    if (this.waiting.size > 0) {
      this.nextTurn ??= setImmediate(() => {
        this.nextTurn = undefined
        this.tellWaiting()
      })
      return
    }
    clearImmediate(this.nextTurn)
    this.nextTurn = undefined
    this.foretold = null
    if (this.readers.size >= MANY_READERS) this.restUntil = began + took + this.toldFor * REST_FACTOR
    this.toldFor = 0
    if (!this.isToTellAnew) return
    this.isToTellAnew = false
    this.tellSoon(false)
  }

  private tellFacilitators(): void {
    clearTimeout(this.facilitatorsWait)
    this.facilitatorsWait = undefined
    this.facilitatorsToldAt.push(performance.now())
    for (const reader of this.readers) if (reader.viewer.kind === 'facilitator') this.tellOne(reader)
  }

  /** A reader who cannot be told is let go, and keeps nobody else from hearing. */
  private tellOne(reader: Reader): void {
    if (!this.readers.has(reader)) return
    try {
      this.tell(reader, 'change')
    } catch (error) {
      this.readers.delete(reader)
      this.session.failed(error)
    }
  }

  /** What they are told is the most there is, and their pages draw all of it: of what comes thick and fast they are told together. */
  private tellFacilitatorsInTime(now: number): void {
    if (this.facilitatorsWait) return
    this.facilitatorsToldAt = this.facilitatorsToldAt.filter(at => now - at < FACILITATORS_WITHIN_MS)
    const wait =
      (this.facilitatorsToldAt.at(-1) ?? Number.NEGATIVE_INFINITY) + FACILITATORS_TOLD_EVERY_MS - now
    if (this.facilitatorsToldAt.length < FACILITATORS_AT_ONCE || wait <= 0) this.tellFacilitators()
    else {
      this.facilitatorsWait = setTimeout(() => this.tellFacilitators(), wait)
      this.facilitatorsWait.unref()
    }
  }

  private tell(reader: Reader, kind: 'view' | 'change'): void {
    const state = this.session.state()
    const known = this.foretold?.state === state ? this.foretold.of.get(reader) : undefined
    if (kind === 'change' && known?.before === reader.sections) {
      reader.made = known.made
      reader.sections = known.sections
      if (known.message) this.send(reader, known.message)
      return
    }
    const made = viewAfter(reader.made, state, reader.viewer)
    const sections = this.sectionsOf(state, reader.viewer, made)
    const message = kind === 'view' ? wholeView(sections) : changes(reader.sections, sections)
    reader.made = made
    reader.sections = sections
    if (message) this.send(reader, message)
  }

  /** With the place of the state they were told: a later one may be waiting, and is missed if they say that they had it. */
  private send(reader: Reader, message: StreamMessage): void {
    const state = reader.made?.state
    if (state && !this.told.has(state.seq)) {
      this.told.set(state.seq, state)
      const [oldest] = this.told.keys()
      if (this.told.size > KEPT_STATES && oldest !== undefined) this.told.delete(oldest)
    }
    reader.send(message, state?.seq ?? 0)
  }

  /** The state at a place in the log that somebody was told, when it is still known. */
  private stateAt(seq: number): LiveState | undefined {
    const now = this.session.state()
    return now.seq === seq ? now : this.told.get(seq)
  }

  private sectionsOf(state: LiveState, viewer: Viewer, made: MadeView | null): Sections {
    const view = (made?.view ?? {}) as Sections
    return viewer.kind === 'facilitator' ? { ...view, marks: this.marksOfRound(state) } : view
  }

  /** The marks of the round that runs, or of the last one: what the lanes show live. */
  private marksOfRound(state: LiveState): Mark[] {
    const from = state.round?.startedAt ?? state.pastRounds.at(-1)?.startedAt
    const all = this.session.marks()
    const { length } = all
    if (this.marksTold.from !== from || this.marksTold.length !== length)
      this.marksTold = {
        from,
        length,
        marks: from === undefined ? [] : all.filter(mark => mark.at >= from),
      }
    return this.marksTold.marks
  }
}
