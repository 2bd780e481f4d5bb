import { setImmediate } from 'node:timers/promises'
import { groupBy, mapValues, sortBy, uniq, uniqBy } from 'lodash-es'
import type { Board } from '~/core/boards/board'
import { type Prompt, type ReadAnswer, readFully } from '~/core/boards/prompts/kinds'
import type { Mark } from '~/core/live/marks'
import { writerName } from '~/core/live/rights/writers'
import type { Room } from '~/core/live/rooms/room'
import { boardOf } from '~/core/live/rooms/room'
import type { LineRead } from '~/core/live/talk/line'
import { addToPulse, type PulseBar } from '~/core/review/pulse'
import { removedPieces } from '~/core/review/removed'
import { talkOpenToAll } from '~/core/review/talk'
import type { SessionTold } from '~/core/review/told'
import { timeOfDay } from '~/core/schedule/session-time'
import type { BoardServer } from '../boards/board-server.server'
import type { Contribution } from '../boards/contributions.server'
import type { LateContribution } from '../boards/late.server'

/** A late contribution to a room's board; `text` of each piece that can be shown as one. */
export interface LateHere {
  id: string
  copyId: string
  participantId: string
  by: string
  /** When it came, by the session's own clock. */
  at: string
  pieces: { promptId: string; text: string }[]
  /** Which facilitator put it on the board after all; null while it lies beside it. */
  putInBy: string | null
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
  takenOff: { id: string; promptId: string; text: string; by: string; writtenBy: string }[]
  /** Who wrote on each piece of the answers, whoever began it first; by `prompt/piece`. */
  writers: Record<string, string>
  /** What was said in its talk when facilitators could read it. */
  talk: LineRead[]
  /** What was written without a line, and came when the board was closed to who wrote it. */
  late: LateHere[]
  marks: Mark[]
  pulse: PulseBar[]
}

/** Boards as one: with what each asks, and the title of the first. */
export function allOf(boards: readonly Board[]): Board {
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
export async function reviewedRooms(
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
        .map(({ id, promptId, text, by, authorId }) => ({
          id,
          promptId,
          text,
          by,
          writtenBy: writerName(state, authorId ?? ''),
        })),
      writers: writersOf(
        here.filter(({ promptId }) => asked.some(({ id }) => id === promptId)),
        id => writerName(state, id),
      ),
      talk: talkOpenToAll(state, room.id),
      late: late
        .filter(({ copyId }) => copyId === room.copyId)
        .map(({ at, ...one }) => ({
          ...one,
          by: state.participants.get(one.participantId)?.shownName ?? '',
          at: timeOfDay(at, timeZone),
        })),
      marks: marks[room.id] ?? [],
      pulse: here.reduce<PulseBar[]>((bars, one) => addToPulse(bars, one.halfMinute, one.edits), []),
    })
    doc.destroy()
    await setImmediate()
  }
  return rooms
}

function writersOf(written: readonly Contribution[], nameOf: (id: string) => string): Record<string, string> {
  const pieces = groupBy(sortBy(written, 'at'), ({ promptId, entryId }) => `${promptId}/${entryId}`)
  return mapValues(pieces, all => uniq(all.map(({ participantId }) => nameOf(participantId))).join(', '))
}
