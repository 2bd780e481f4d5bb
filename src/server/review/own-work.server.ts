import type { Board } from '~/core/boards/board'
import { areHiddenCards, withHiddenShut } from '~/core/boards/hidden'
import { NOTHING_SAID, withOpenParts } from '~/core/boards/parts'
import { inFull } from '~/core/boards/prompts/kinds'
import { openedIn } from '~/core/live/hidden/opened'
import { boardOf } from '~/core/live/rooms/room'
import type { TakenOffHere } from '~/core/live/taken-off/taken'
import type { LiveState } from '~/core/live/topics'
import { asItStood } from '~/core/review/as-it-stood'
import type { TimeInRoom } from '~/core/review/attendance'
import { talkHeard } from '~/core/review/talk'
import { withoutTakenOff } from '~/core/review/without-taken-off'
import { longMoment, timeOfDay } from '~/core/schedule/session-time'
import type { BoardServer } from '../boards/board-server.server'
import { readContributions } from '../boards/contributions.server'
import { lateIn } from '../boards/late.server'
import type { Database } from '../db/database.server'
import { notFound } from '../errors.server'
import type { Place } from '../join/join.server'
import { getSession } from '../sessions/sessions.server'
import { allOf, type ReviewedRoom, reviewedRooms } from './rooms.server'
import { toldOf } from './told.server'

const NEVER: TimeInRoom = { firstAt: 0, leftAt: 0, rounds: {} }

export interface OwnWork {
  title: string
  date: string
  shownName: string
  board: Board
  /** What of their own was taken off the screens. */
  takenOff: TakenOffHere[]
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
    takenOff: state.takenOff
      .filter(({ authorId }) => authorId === me.id)
      .map(({ id, promptId, text, by }) => ({ id, promptId, text, by })),
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
