import { eq } from 'drizzle-orm'
import type { Board } from '~/core/boards/board'
import type { Prompt } from '~/core/boards/prompts/kinds'
import type { QuestionNow } from '~/core/live/questions/shown'
import {
  type CommentedThen,
  questionRows,
  type ReportedThen,
  whatWasAsked,
  whatWasCommented,
  whatWasReported,
} from '~/core/review/asked'
import { type OfficeThen, whoCame } from '~/core/review/office'
import type { SessionReport } from '~/core/review/report'
import { type ObservedThen, type SaidThen, whatWasObserved, whatWasSaid } from '~/core/review/said'
import type { SessionTold } from '~/core/review/told'
import { longMoment } from '~/core/schedule/session-time'
import type { BoardServer } from '../boards/board-server.server'
import { type Contribution, readContributions } from '../boards/contributions.server'
import { lateIn } from '../boards/late.server'
import type { Database } from '../db/database.server'
import { participants } from '../db/schema.server'
import { notFound } from '../errors.server'
import { getSession, type Session } from '../sessions/sessions.server'
import { allOf, type ReviewedRoom, reviewedRooms } from './rooms.server'
import { toldOf } from './told.server'

export interface SessionReview {
  said: SaidThen[]
  observed: ObservedThen[]
  asked: QuestionNow[]
  commented: CommentedThen[]
  reported: ReportedThen[]
  /** Null of every session but office hours. */
  office: OfficeThen | null
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
    office: whoCame(state, endedAt),
  }
}

/** Every answer to the questions of a session, the header first; rejects when it was never opened. */
export async function questionsTable(
  db: Database,
  sessionId: string,
  now: number,
): Promise<(string | number)[][]> {
  const { state } = await toldOf(db, sessionId, now)
  if (state.openedAt === null) throw notFound('review')
  return questionRows(state)
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
      // What was put on the board stands there.
      late: late.flatMap(({ by, pieces, putInBy }) =>
        putInBy === null ? pieces.map(piece => ({ ...piece, by })) : [],
      ),
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
