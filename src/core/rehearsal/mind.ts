/** What a simulated participant does next, from what their own page shows them. */
import type { Prompt } from '../boards/board'
import { groupMayOpen } from '../boards/hidden'
import { FIRST_PART } from '../boards/parts'
import { HELP_REASONS } from '../live/help/reasons'
import type { QuickQuestion } from '../live/questions/question'
import type { ParticipantRequest } from '../live/topics'
import type { ParticipantView } from '../live/views'
import type { RandomStream } from '../random/random'
import type { Temper } from './cast'
import { lineOfTalk, sentence, shortWord } from './phrases'
import { goesAt, isWrittenUnder } from './writing'

export type Doing =
  | { does: 'ask'; request: ParticipantRequest }
  | { does: 'write'; prompt: Prompt }
  | { does: 'drop' }
  | { does: 'come back' }

const SECOND = 1_000
const MINUTE = 60 * SECOND

/** How long somebody takes before they do something, in milliseconds: the least, and how much more at most. Common practice, no source. */
const PAUSES = {
  write: {
    much: [8 * SECOND, 17 * SECOND],
    some: [25 * SECOND, 50 * SECOND],
    nothing: [40 * SECOND, 60 * SECOND],
  },
  look: [4 * SECOND, 8 * SECOND],
} as const

/** One of so many does not answer what the class is asked. */
const NO_ANSWER_FROM = 12
/** One of so many who lost their line stays away. */
const STAYS_AWAY = 4

/** What somebody does in a round by themselves, once, and when. */
interface Intents {
  help: number | null
  drop: number | null
  move: number | null
}

/** One of them: what they have seen and done so far. All times are those of the session, in milliseconds since 1970. */
export class SimulatedMind {
  /** Before this they do nothing. */
  next: number
  private room: string | null = null
  private round = 0
  private intents: Intents = { help: null, drop: null, move: null }
  private calledAt: number | null = null
  private away: { until: number | null } | null = null
  private goes = new Map<string, number>()
  private readonly seen = new Set<string>()
  private readonly considered = new Set<string>()
  private readonly signalled = new Set<number>()

  constructor(
    private readonly temper: Temper,
    private readonly random: RandomStream,
    now: number,
  ) {
    this.next = now + this.between(PAUSES.look)
  }

  /** What they do now; `view` is null while they have no page. Moves `next` on. */
  step(view: ParticipantView | null, now: number): Doing[] {
    this.next = now + this.between(PAUSES.look)
    if (this.away) return this.whileAway(now)
    if (view?.session.phase !== 'open') return []
    const answered = [
      ...this.toMessages(view),
      ...this.toQuestion(view),
      ...this.toMoves(view),
      ...this.toSitting(view),
    ]
    if (answered.length > 0) return answered
    const { whereabouts } = view
    if (whereabouts.where !== 'room') {
      this.room = null
      return []
    }
    if (this.round !== view.roundsBegun) this.beginRound(view, now)
    const key = `${whereabouts.roomId} ${view.roundsBegun}`
    if (this.room !== key) {
      this.room = key
      this.goes = new Map()
      this.calledAt = null
    }
    return this.inRoom(view, now)
  }

  private beginRound(view: ParticipantView, now: number): void {
    this.round = view.roundsBegun
    const length = Math.max(MINUTE, (view.clock?.endsAt ?? now + 10 * MINUTE) - now)
    const within = (share: number) => now + length * 0.15 + this.random.below(Math.round(length * share))
    this.intents = {
      help: this.temper.asks ? within(0.5) : null,
      drop: this.temper.drops ? within(0.6) : null,
      move: this.temper.moves ? within(0.5) : null,
    }
  }

  private inRoom(view: ParticipantView, now: number): Doing[] {
    const { help, drop, move } = this.intents
    if (view.clock?.graceEndsAt) return []
    if (drop !== null && now >= drop) return this.leave(now)
    if (help !== null && now >= help) {
      this.intents.help = null
      if (view.help) return []
      this.calledAt = now
      return [asking({ type: 'call-help', reason: HELP_REASONS[this.random.below(HELP_REASONS.length)] })]
    }
    // Whoever has waited long finds out by themselves.
    if (this.calledAt !== null && view.help && now - this.calledAt > 5 * MINUTE) {
      this.calledAt = null
      return [asking({ type: 'withdraw-help' })]
    }
    if (move !== null && now >= move) {
      this.intents.move = null
      const other = this.anotherRoom(view)
      if (other) return [asking({ type: 'choose-room', roomId: other })]
    }
    const shown = this.signal(view, now)
    if (shown) return [shown]
    this.next = now + this.between(PAUSES.write[this.temper.writes])
    if (this.random.below(25) === 0) return [asking({ type: 'say-line', text: lineOfTalk(this.random) })]
    return this.work(view)
  }

  /** One part after the other, in it one prompt after the other; then what is left to say, to open and to look over. */
  private work(view: ParticipantView): Doing[] {
    const { board, partsDone } = view
    if (this.temper.writes === 'nothing' || !board || board.prompts.length === 0) return []
    for (const partId of [FIRST_PART, ...(board.parts ?? []).map(({ id }) => id)]) {
      const prompts = board.prompts.filter(({ part = FIRST_PART }) => part === partId)
      const left = prompts.find(prompt => isWrittenUnder(prompt) && !this.hasDone(prompt))
      if (left) return this.write(left)
      const hint = prompts.find(prompt => !this.considered.has(prompt.id) && groupMayOpen(prompt))
      if (hint) {
        this.considered.add(hint.id)
        return [asking({ type: 'open-hidden-text-here', promptId: hint.id })]
      }
      if (prompts.length > 0 && !partsDone.includes(partId))
        return [asking({ type: 'say-part-done', partId, done: true })]
    }
    const again = board.prompts.filter(isWrittenUnder)
    const chosen = again[this.random.below(again.length)]
    return chosen && this.random.below(3) === 0 ? this.write(chosen) : []
  }

  /** Who writes much does twice as much everywhere. */
  private hasDone(prompt: Prompt): boolean {
    return (this.goes.get(prompt.id) ?? 0) >= goesAt(prompt) * (this.temper.writes === 'much' ? 2 : 1)
  }

  private write(prompt: Prompt): Doing[] {
    this.goes.set(prompt.id, (this.goes.get(prompt.id) ?? 0) + 1)
    return [{ does: 'write', prompt }]
  }

  /** Near the end some say how they stand, once a round. */
  private signal(view: ParticipantView, now: number): Doing | null {
    const { clock } = view
    if (!clock || this.signalled.has(clock.number)) return null
    if (now < clock.startedAt + (clock.endsAt - clock.startedAt) * 0.7) return null
    this.signalled.add(clock.number)
    const isDone = (view.board?.prompts ?? []).every(
      prompt => !isWrittenUnder(prompt) || this.hasDone(prompt),
    )
    if (this.random.below(3) > 0) return null
    const lost = this.random.below(6) === 0
    return asking({ type: 'set-signal', signal: isDone ? 'done' : lost ? 'lost' : 'more-time' })
  }

  private leave(now: number): Doing[] {
    this.intents.drop = null
    const stays = this.random.below(STAYS_AWAY) === 0
    this.away = { until: stays ? null : now + 30 * SECOND + this.random.below(90 * SECOND) }
    return [{ does: 'drop' }]
  }

  private whileAway(now: number): Doing[] {
    const until = this.away?.until ?? Number.POSITIVE_INFINITY
    if (now < until) return []
    this.away = null
    return [{ does: 'come back' }]
  }

  private toMessages({ messages }: ParticipantView): Doing[] {
    const fresh = messages.filter(({ id }) => !this.seen.has(id)).map(({ id }) => id)
    for (const id of fresh) this.seen.add(id)
    const [last] = fresh.slice(-1)
    if (last === undefined) return []
    const saw = asking({ type: 'see-messages', messageIds: fresh.slice(-20) })
    if (this.random.below(10) > 0) return [saw]
    return [saw, asking({ type: 'answer-message', messageId: last, text: sentence(this.random) })]
  }

  private toQuestion({ question, myAnswer, me }: ParticipantView): Doing[] {
    if (!question || myAnswer !== null || !me.admitted || this.considered.has(question.id)) return []
    this.considered.add(question.id)
    if (this.random.below(NO_ANSWER_FROM) === 0) return []
    return [asking({ type: 'answer-question', questionId: question.id, answer: this.answer(question) })]
  }

  private answer({ asks }: QuickQuestion): string | number | string[] {
    if (asks.is === 'choice') return this.random.below(asks.answers.length)
    if (asks.is === 'scale') return 1 + this.random.below(asks.steps)
    if (asks.is === 'number') return this.random.below(100)
    return asks.is === 'words' ? [shortWord(this.random)] : sentence(this.random)
  }

  /** Into the room one is invited to, or one of those to choose from. */
  private toMoves(view: ParticipantView): Doing[] {
    const { moves, whereabouts, roundsBegun } = view
    if (!moves) return []
    if (moves.enter !== null) return this.random.below(3) === 0 ? [] : [asking({ type: 'enter-room' })]
    const chosen = `chose ${roundsBegun}`
    if (view.clock || whereabouts.where === 'room' || this.considered.has(chosen)) return []
    const room = this.anotherRoom(view)
    if (!room) return []
    this.considered.add(chosen)
    return [asking({ type: 'choose-room', roomId: room })]
  }

  private anotherRoom({ roomsToChoose, moves }: ParticipantView): string | null {
    const free = (roomsToChoose && 'rooms' in roomsToChoose ? roomsToChoose.rooms : []).filter(
      ({ id, left }) => left !== 0 && id !== moves?.ownRoomId,
    )
    return free[this.random.below(free.length)]?.id ?? null
  }

  /** They sit by twos, in the order of their ids: so those beside each other name each other. */
  private toSitting({ namesHere, besideMe, me }: ParticipantView): Doing[] {
    if (!namesHere || (besideMe?.length ?? 0) > 0) return []
    const ids = namesHere.map(({ id }) => id).sort()
    const place = ids.indexOf(me.id)
    const beside = place < 0 ? undefined : (ids[place % 2 === 0 ? place + 1 : place - 1] ?? ids[place - 1])
    return beside ? [asking({ type: 'name-beside', besideIds: [beside] })] : []
  }

  private between([least, more]: readonly [number, number]): number {
    return least + this.random.below(more)
  }
}

const asking = (request: ParticipantRequest): Doing => ({ does: 'ask', request })
