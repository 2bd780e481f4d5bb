import { and, eq, inArray, isNull } from 'drizzle-orm'
import type { RoomWorkNow } from '~/contracts/live'
import { areHiddenCards } from '~/core/boards/hidden'
import { peopleIn } from '~/core/live/door/people'
import { openedIn } from '~/core/live/hidden/opened'
import { writerName } from '~/core/live/rights/writers'
import type { Room } from '~/core/live/rooms/room'
import { boardOf } from '~/core/live/rooms/room'
import type { LiveState } from '~/core/live/topics'
import { addToPulse } from '~/core/review/pulse'
import type { Database } from '../db/database.server'
import { boardCopies, lateContributions } from '../db/schema.server'
import { type Contribution, readContributions } from './contributions.server'

interface CopyWork {
  pulse: { at: number; edits: number }[]
  latest: Contribution | null
  /** The last piece of each prompt that says something. */
  latestOf: Map<string, Contribution>
  people: Map<string, { edits: number; promptId: string; at: number }>
  /** Which pieces of each prompt say something, with who wrote in them last. */
  written: Map<string, Map<string, string>>
  /** Of whom something came too late for the board. */
  late: Set<string>
}

/** So much of what was written last is shown, in characters. */
const LONGEST_LATEST = 160

/** How far the rooms of running sessions have come, kept up to date from what is written. */
export class BoardWork {
  private readonly copies = new Map<string, CopyWork>()
  private readonly loaded = new Map<string, Promise<void>>()
  private readonly loadingMore = new Map<string, Promise<void>>()
  private readonly ofSession = new Map<string, string[]>()

  constructor(private readonly db: Database) {}

  /** Takes in what was just stored. */
  add(contributions: readonly Contribution[]): void {
    for (const one of contributions) {
      const work = this.copies.get(one.copyId)
      if (work) take(work, one)
    }
  }

  /** Takes in that something of somebody's came too late for a board. */
  addLate(copyId: string, participantId: string): void {
    this.copies.get(copyId)?.late.add(participantId)
  }

  /** Forgets the work of a session; it is read again when it is asked for. */
  forget(sessionId: string): void {
    this.loaded.delete(sessionId)
    for (const copyId of this.ofSession.get(sessionId) ?? []) this.copies.delete(copyId)
    this.ofSession.delete(sessionId)
  }

  /** The work of all rooms of a session, by room id, or of some of its copies. */
  async of(
    sessionId: string,
    state: LiveState,
    only?: ReadonlySet<string>,
  ): Promise<Record<string, RoomWorkNow>> {
    await this.load(sessionId)
    await this.loadMore(sessionId, state)
    const rooms = state.rooms.filter(room => !only || only.has(room.copyId))
    return Object.fromEntries(rooms.map(room => [room.id, shown(this.copies.get(room.copyId), state, room)]))
  }

  private load(sessionId: string): Promise<void> {
    const loading = this.loaded.get(sessionId) ?? this.read(sessionId)
    this.loaded.set(sessionId, loading)
    loading.catch(() => this.loaded.delete(sessionId))
    return loading
  }

  /** Reads the work of rooms that were made, or laid out, since the session's was read. */
  private loadMore(sessionId: string, state: LiveState): Promise<void> {
    const missing = state.rooms.flatMap(({ copyId }) => (this.copies.has(copyId) ? [] : [copyId]))
    if (missing.length === 0) return Promise.resolve()
    const before = this.loadingMore.get(sessionId) ?? Promise.resolve()
    // One after the other: what two read at once would count twice.
    const loading = before
      .catch(() => undefined)
      .then(async () => {
        const still = missing.filter(copyId => !this.copies.has(copyId))
        if (still.length > 0) this.take(sessionId, still, await readContributions(this.db, still))
      })
    this.loadingMore.set(sessionId, loading)
    return loading.finally(() => {
      if (this.loadingMore.get(sessionId) === loading) this.loadingMore.delete(sessionId)
    })
  }

  private take(sessionId: string, copyIds: readonly string[], earlier: Contribution[]): void {
    this.ofSession.set(sessionId, [...(this.ofSession.get(sessionId) ?? []), ...copyIds])
    for (const id of copyIds)
      this.copies.set(id, {
        pulse: [],
        latest: null,
        latestOf: new Map(),
        people: new Map(),
        written: new Map(),
        late: new Set(),
      })
    this.add(earlier)
  }

  private async read(sessionId: string): Promise<void> {
    const copies = await this.db
      .select({ id: boardCopies.id })
      .from(boardCopies)
      .where(eq(boardCopies.sessionId, sessionId))
    const earlier = await readContributions(
      this.db,
      copies.map(copy => copy.id),
    )
    // A session whose copies are not made yet is read again when they are.
    if (copies.length === 0) this.loaded.delete(sessionId)
    const late = await lateFrom(
      this.db,
      copies.map(copy => copy.id),
    )
    this.take(
      sessionId,
      copies.map(copy => copy.id),
      earlier,
    )
    for (const { copyId, participantId } of late) this.addLate(copyId, participantId)
  }

  /** Reads again of whom something lies beside a board. */
  async readLate(copyId: string): Promise<void> {
    const late = await lateFrom(this.db, [copyId])
    const work = this.copies.get(copyId)
    if (work) work.late = new Set(late.map(({ participantId }) => participantId))
  }
}

function take(work: CopyWork, one: Contribution): void {
  work.pulse = addToPulse(work.pulse, one.halfMinute, one.edits)
  const written = work.written.get(one.promptId) ?? new Map()
  work.written.set(one.promptId, written)
  const { participantId, promptId, at } = one
  work.people.set(participantId, {
    edits: (work.people.get(participantId)?.edits ?? 0) + one.edits,
    promptId,
    at,
  })
  if (one.text.trim()) {
    written.set(one.entryId, participantId)
    work.latest = one
    work.latestOf.set(promptId, one)
  } else {
    written.delete(one.entryId)
    if (work.latestOf.get(promptId)?.entryId === one.entryId) work.latestOf.delete(promptId)
  }
}

function shown(work: CopyWork | undefined, state: LiveState, room: Room): RoomWorkNow {
  if (!work) return { pulse: [], latest: null, answeredPrompts: 0 }
  const { latest } = work
  const alone = aloneIn(work, state, room)
  const prompts = [...work.written].filter(([, entries]) => entries.size > 0)
  const people = peopleIn(state, room.id).flatMap(({ id }) => {
    const one = work.people.get(id)
    return one ? [[id, one] as const] : []
  })
  return {
    pulse: work.pulse,
    latest: latest && {
      text: latest.text.slice(-LONGEST_LATEST),
      who: writerName(state, latest.participantId),
      at: latest.at,
    },
    answeredPrompts: prompts.length,
    ...(prompts.length > 0 && {
      prompts: Object.fromEntries(
        prompts.map(([id, entries]) => {
          const last = work.latestOf.get(id)
          return [
            id,
            { pieces: entries.size, latest: last?.text.slice(-LONGEST_LATEST) ?? '', at: last?.at ?? 0 },
          ]
        }),
      ),
    }),
    ...(people.length > 0 && { people: Object.fromEntries(people) }),
    ...(alone.length > 0 && { alone: Object.fromEntries(alone) }),
    ...(work.late.size > 0 && { late: work.late.size }),
  }
}

/** How much people have written that the others do not see yet. */
function aloneIn({ written }: CopyWork, state: LiveState, room: Room) {
  const opened = openedIn(state, room.id)
  return boardOf(state, room).prompts.flatMap(prompt => {
    const cards = written.get(prompt.id)
    if (!areHiddenCards(prompt) || prompt.id in opened || !cards?.size) return []
    return [[prompt.id, { cards: cards.size, people: new Set(cards.values()).size }] as const]
  })
}

/** Of whom something came too late, on which of these boards. */
const lateFrom = (db: Database, copyIds: string[]) =>
  db
    .selectDistinct({
      copyId: lateContributions.copyId,
      participantId: lateContributions.participantId,
    })
    .from(lateContributions)
    .where(and(inArray(lateContributions.copyId, copyIds), isNull(lateContributions.putInBy)))
