import { setImmediate } from 'node:timers/promises'
import { eq } from 'drizzle-orm'
import { groupBy, uniqBy } from 'lodash-es'
import type { Board } from '~/core/boards/board'
import { areHiddenCards, withHiddenShut } from '~/core/boards/hidden'
import { NOTHING_SAID, withOpenParts } from '~/core/boards/parts'
import { inFull, type Prompt, type ReadAnswer, readFully } from '~/core/boards/prompts/kinds'
import { openedIn } from '~/core/live/hidden/opened'
import type { Mark } from '~/core/live/marks'
import type { QuestionNow } from '~/core/live/questions/shown'
import { writerName } from '~/core/live/rights/writers'
import type { Room } from '~/core/live/rooms/room'
import { boardOf } from '~/core/live/rooms/room'
import type { LineRead } from '~/core/live/talk/line'
import type { LiveState } from '~/core/live/topics'
import { asItStood } from '~/core/review/as-it-stood'
import {
  type CommentedThen,
  type ReportedThen,
  whatWasAsked,
  whatWasCommented,
  whatWasReported,
} from '~/core/review/asked'
import type { TimeInRoom } from '~/core/review/attendance'
import { addToPulse, type PulseBar } from '~/core/review/pulse'
import { removedPieces } from '~/core/review/removed'
import type { SessionReport } from '~/core/review/report'
import { type ObservedThen, type SaidThen, whatWasObserved, whatWasSaid } from '~/core/review/said'
import { talkHeard, talkOpenToAll } from '~/core/review/talk'
import type { SessionTold } from '~/core/review/told'
import { withoutTakenOff } from '~/core/review/without-taken-off'
import { longMoment, timeOfDay } from '~/core/schedule/session-time'
import type { BoardServer } from '../boards/board-server.server'
import { type Contribution, readContributions } from '../boards/board-storage.server'
import { type LateContribution, lateIn } from '../boards/late.server'
import type { Database } from '../db/database.server'
import { participants } from '../db/schema.server'
import { notFound } from '../errors.server'
import type { Place } from '../join/join.server'
import { getSession, type Session } from '../sessions/sessions.server'
import { toldOf } from './told.server'

/** A late contribution to a room's board; `text` of each piece that can be shown as one. */
export interface LateHere {
  by: string
  /** When it came, by the session's own clock. */
  at: string
  pieces: { promptId: string; text: string }[]
}

/** One room of a finished session: what it made and what happened in its lane. */
export interface ReviewedRoom {
  id: string
  name: string
  members: string[]
  /** The prompts of its board. */
  asks: string[]
  /** By prompt; only of the prompts that were asked for. */
  answers: Record<string, ReadAnswer>
  /** What was taken off the board, under which prompt, and by whom. */
  removed: { promptId: string; text: string; by: string }[]
  /** What a facilitator took off the screens and did not give back. */
  takenOff: { promptId: string; text: string; by: string; writtenBy: string }[]
  /** What was said in its talk when facilitators could read it. */
  talk: LineRead[]
  /** What was written without a line, and came when the board was closed to who wrote it. */
  late: LateHere[]
  marks: Mark[]
  pulse: PulseBar[]
}

export interface SessionReview {
  said: SaidThen[]
  observed: ObservedThen[]
  asked: QuestionNow[]
  commented: CommentedThen[]
  reported: ReportedThen[]
  session: {
    id: string
    title: string
    date: string
    timeZone: string
    phase: Session['phase']
    reviewed: boolean
  }
  board: Board
  openedAt: number
  endedAt: number
  rounds: { number: number; startedAt: number; endedAt: number }[]
  rooms: ReviewedRoom[]
  people: {
    id: string
    shownName: string
    rooms: string[]
    presentMs: number
    inRoomsMs: number
    contributions: number
    /** Their own link's token; null for somebody who never came. */
    reviewToken: string | null
  }[]
}

/**
 * What a session left, for facilitators: with the answers to all prompts, or to those that `shown` picks. Throws not-found
 * when it was never opened.
 */
export async function reviewSession(
  db: Database,
  boards: BoardServer,
  sessionId: string,
  now: number,
  shown: (board: Board) => Prompt[] = board => board.prompts,
): Promise<SessionReview> {
  const session = await getSession(db, sessionId)
  const told = await toldOf(db, sessionId, now)
  const { state } = told
  if (state.openedAt === null) throw notFound('review')
  const board = allOf(state.boards)
  const written = await readContributions(
    db,
    state.rooms.map(room => room.copyId),
  )
  const endedAt = state.endedAt ?? now
  const late = await lateIn(
    db,
    state.rooms.map(room => room.copyId),
  )
  const rooms = await reviewedRooms(
    boards,
    told,
    state.rooms,
    { written, late, timeZone: session.timeZone },
    shown(board),
  )
  return {
    session: {
      id: session.id,
      title: session.title,
      date: longMoment(state.openedAt, session.timeZone),
      timeZone: session.timeZone,
      phase: session.phase,
      reviewed: session.reviewedAt !== null,
    },
    board,
    openedAt: state.openedAt,
    endedAt,
    rounds: [...state.pastRounds, ...(state.round ? [{ ...state.round, endedAt }] : [])].map(
      ({ number, startedAt, endedAt: to }) => ({ number, startedAt, endedAt: to }),
    ),
    rooms,
    people: peopleOf(told, written, await reviewTokens(db, sessionId)),
    said: whatWasSaid(state),
    observed: whatWasObserved(state),
    asked: whatWasAsked(state),
    commented: whatWasCommented(state),
    reported: whatWasReported(state),
  }
}

/** Boards as one: with what each asks, and the title of the first. */
function allOf(boards: readonly Board[]): Board {
  const [first = { title: '', steps: [], prompts: [] }] = boards
  return {
    ...first,
    prompts: uniqBy(
      boards.flatMap(({ prompts }) => prompts),
      'id',
    ),
  }
}

/** One room after the other: documents can be large, and between them everybody else is looked after. */
async function reviewedRooms(
  boards: BoardServer,
  { state, marks: allMarks, rooms: visited }: SessionTold,
  shownRooms: readonly Room[],
  { written, late, timeZone }: { written: Contribution[]; late: LateContribution[]; timeZone: string },
  prompts: Prompt[],
  mayRead: (room: Room, promptId: string) => boolean = () => true,
): Promise<ReviewedRoom[]> {
  const marks = groupBy(allMarks, mark => mark.roomId)
  const byCopy = groupBy(written, one => one.copyId)
  const rooms: ReviewedRoom[] = []
  for (const room of shownRooms) {
    // Closed before anybody was in it: nothing can be in it.
    if (room.closed && !room.used) continue
    const here = byCopy[room.copyId] ?? []
    const doc = await boards.read(room.copyId, ({ promptId }) => mayRead(room, promptId))
    const own = boardOf(state, room)
    const asked = own.prompts.filter(({ id }) => prompts.some(prompt => prompt.id === id))
    const removed = removedPieces(doc, { ...own, prompts: asked }, here)
    rooms.push({
      id: room.id,
      name: room.name,
      members: [...state.participants.values()]
        .filter(participant => visited.get(participant.id)?.has(room.id))
        .map(participant => participant.shownName),
      asks: own.prompts.map(prompt => prompt.id),
      answers: Object.fromEntries(asked.map(prompt => [prompt.id, readFully(doc, prompt)])),
      removed: removed.map(({ promptId, text, removedBy }) => ({
        promptId,
        text,
        by: writerName(state, removedBy ?? ''),
      })),
      takenOff: state.takenOff
        .filter(({ copyId }) => copyId === room.copyId)
        .map(({ promptId, text, by, authorId }) => ({
          promptId,
          text,
          by,
          writtenBy: writerName(state, authorId ?? ''),
        })),
      talk: talkOpenToAll(state, room.id),
      late: late
        .filter(({ copyId }) => copyId === room.copyId)
        .map(({ participantId, at, pieces }) => ({
          by: state.participants.get(participantId)?.shownName ?? '',
          at: timeOfDay(at, timeZone),
          pieces,
        })),
      marks: marks[room.id] ?? [],
      pulse: here.reduce<PulseBar[]>((bars, one) => addToPulse(bars, one.halfMinute, one.edits), []),
    })
    doc.destroy()
    await setImmediate()
  }
  return rooms
}

/** Somebody who gave up a name and took it again, on another device say, is one person: their times add up. */
function peopleOf(
  { state, attendance }: SessionTold,
  written: Contribution[],
  tokens: ReadonlyMap<string, string>,
): SessionReview['people'] {
  const roomName = new Map(state.rooms.map(room => [room.id, room.name]))
  const rows = new Map<string, SessionReview['people'][number]>()
  for (const one of attendance) {
    const personId = state.participants.get(one.participantId)?.personId
    const key = personId ?? one.participantId
    const pieces = new Set(
      written
        .filter(entry => entry.participantId === one.participantId)
        .map(entry => `${entry.promptId}/${entry.entryId}`),
    )
    const earlier = rows.get(key)
    const rooms = one.roomIds.map(id => roomName.get(id) ?? '')
    rows.set(key, {
      id: key,
      shownName: one.shownName,
      rooms: [...new Set([...(earlier?.rooms ?? []), ...rooms])],
      presentMs: (earlier?.presentMs ?? 0) + one.presentMs,
      inRoomsMs: (earlier?.inRoomsMs ?? 0) + one.inRoomsMs,
      contributions: (earlier?.contributions ?? 0) + pieces.size,
      reviewToken: tokens.get(one.participantId) ?? earlier?.reviewToken ?? null,
    })
  }
  const absent = state.expected
    .filter(person => !rows.has(person.personId))
    .map(({ personId, shownName }) => {
      return {
        id: personId,
        shownName,
        rooms: [],
        presentMs: 0,
        inRoomsMs: 0,
        contributions: 0,
        reviewToken: null,
      }
    })
  return [...rows.values(), ...absent].sort((one, other) =>
    one.shownName.localeCompare(other.shownName, 'en'),
  )
}

/** What opens each participant's own page, by participant id: facilitators can give it to whoever has lost theirs. */
async function reviewTokens(db: Database, sessionId: string): Promise<Map<string, string>> {
  const rows = await db
    .select({ id: participants.id, token: participants.reviewToken })
    .from(participants)
    .where(eq(participants.sessionId, sessionId))
  return new Map(rows.map(({ id, token }) => [id, token]))
}

/** The same as a report that can be written out. */
export function reportOf(review: SessionReview): SessionReport {
  const minutes = (milliseconds: number) => Math.round(milliseconds / 60_000)
  return {
    title: review.session.title,
    date: `${review.session.date} (${review.session.timeZone})`,
    board: review.board,
    rooms: review.rooms.map(({ id, name, members, asks, answers, late }) => ({
      late: late.flatMap(({ by, pieces }) => pieces.map(piece => ({ ...piece, by }))),
      roomId: id,
      name,
      members,
      answers: review.board.prompts.map(prompt =>
        asks.includes(prompt.id) ? answers[prompt.id]?.answer : null,
      ),
    })),
    people: review.people.map(person => ({
      shownName: person.shownName,
      rooms: person.rooms,
      presentMinutes: minutes(person.presentMs),
      inRoomsMinutes: minutes(person.inRoomsMs),
      contributions: person.contributions,
    })),
  }
}

const NEVER: TimeInRoom = { firstAt: 0, leftAt: 0, rounds: {} }

export interface OwnWork {
  title: string
  date: string
  shownName: string
  board: Board
  rooms: (Pick<ReviewedRoom, 'id' | 'name' | 'members' | 'answers' | 'late'> & {
    /** As far as they heard it; the times are those of the session's place. */
    talk: { by: string; text: string; at: string }[]
  })[]
}

/** What a participant may see afterwards: the rooms they were in, as they stood when they were last there, and nothing of any other. */
export async function ownWork(
  db: Database,
  boards: BoardServer,
  place: Place,
  now: number,
): Promise<OwnWork> {
  const session = await getSession(db, place.sessionId)
  const told = await toldOf(db, place.sessionId, now)
  const { state } = told
  const me = state.participants.get(place.participantId)
  if (!me) throw notFound('page')
  const mine = told.rooms.get(me.id) ?? new Map<string, TimeInRoom>()
  const own = state.rooms.filter(room => mine.has(room.id))
  // Neither parts that were never open there nor texts that nobody opened.
  const seen = new Map(own.map(room => [room.id, shownIn(state, room)]))
  const board = allOf([...seen.values()])
  const written = withoutTakenOff(
    await readContributions(
      db,
      own.map(room => room.copyId),
    ),
    state.takenOff,
    board,
  )
  const openedAt = (roomId: string, promptId: string) => state.hiddenOpenedAt[roomId]?.[promptId] ?? Infinity
  // What came late from others they never saw.
  const late = await lateIn(
    db,
    own.map(room => room.copyId),
  )
  const rooms = await reviewedRooms(
    boards,
    told,
    own,
    { written: [], late: late.filter(one => one.participantId === me.id), timeZone: session.timeZone },
    board.prompts,
    ({ id }, promptId) => openedAt(id, promptId) < Infinity,
  )
  // What others did in a room after one had left it is none of one's own.
  for (const [index, { id, copyId }] of own.entries()) {
    const here = written.filter(one => one.copyId === copyId)
    const leftAt = mine.get(id)?.leftAt ?? null
    const room = rooms[index]
    if (!room) continue
    const prompts = seen.get(id)?.prompts ?? []
    // Cards that were still hidden then: of those one's own.
    const hidden = prompts.filter(
      prompt => areHiddenCards(prompt) && openedAt(id, prompt.id) > (leftAt ?? Number.MAX_VALUE),
    )
    const mineAlone = here.filter(one => one.participantId === me.id)
    const ownAnswers = Object.fromEntries(
      hidden.map(prompt => [prompt.id, inFull(asItStood(prompt, mineAlone, leftAt ?? now))]),
    )
    room.answers = { ...room.answers, ...ownAnswers }
    if (leftAt === null) continue
    room.members = [...state.participants.values()]
      .filter(participant => (told.rooms.get(participant.id)?.get(id)?.firstAt ?? Infinity) <= leftAt)
      .map(participant => participant.shownName)
    if (!here.some(one => one.at > leftAt)) continue
    room.answers = {
      ...Object.fromEntries(prompts.map(prompt => [prompt.id, inFull(asItStood(prompt, here, leftAt))])),
      ...ownAnswers,
    }
  }
  return {
    title: state.title,
    date: longMoment(state.openedAt ?? session.startsAt, session.timeZone),
    shownName: me.shownName,
    // Who was never let into a room has not seen what is asked there either.
    board,
    rooms: rooms.map(({ id, name, members, answers, late }) => ({
      id,
      name,
      members,
      answers,
      late,
      talk: talkHeard(state, id, mine.get(id) ?? NEVER).map(({ by, text, at }) => ({
        by,
        text,
        at: timeOfDay(at, session.timeZone),
      })),
    })),
  }
}

/** The board of a room with what was open of it there, in whatever round. */
function shownIn(state: LiveState, room: LiveState['rooms'][number]): Board {
  const open = withOpenParts(boardOf(state, room), state.partsSaid[room.id] ?? NOTHING_SAID)
  return withHiddenShut(open, Object.keys(openedIn(state, room.id)))
}
