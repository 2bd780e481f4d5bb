import type { z } from 'zod'
import type { BoardCorrection, BoardToGive, giveBoard } from '~/contracts/corrections'
import { unfinishedIn } from '~/core/boards/building/draft'
import { correctionOf } from '~/core/boards/correcting/corrected'
import { openRooms } from '~/core/live/rooms/room'
import type { LiveProblem, LiveState } from '~/core/live/topics'
import type { Account } from '../auth/sign-ins.server'
import { getBoard, listBoards } from '../boards/boards.server'
import type { Database } from '../db/database.server'
import { nullWhenGone } from '../errors.server'
import type { LiveHub } from '../live/hub.server'
import { type Result, refused } from '../result'

/** What was changed in the library since boards of a running session were made of it, board by board. */
export async function correctionsFor(
  db: Database,
  hub: LiveHub,
  sessionId: string,
): Promise<BoardCorrection[]> {
  const state = await hub.state(sessionId)
  if (state.phase !== 'open') return []
  const each = await Promise.all(state.boards.map((_, place) => correctionAt(db, state, place)))
  return each.flatMap(found => (found && found.shown.changes.length > 0 ? [found.shown] : []))
}

/** Passes on what was changed in the library: to one room, or to all that work on the board. */
export async function passOnCorrection(
  db: Database,
  hub: LiveHub,
  by: Account,
  sessionId: string,
  { place, roomId }: { place: number; roomId: string | null },
): Promise<Result<unknown, LiveProblem>> {
  const found = await correctionAt(db, await hub.state(sessionId), place)
  if (!found || found.shown.unfinished) return refused({ code: 'no-such-board' })
  const actor = { kind: 'facilitator', accountId: by.id, name: by.displayName } as const
  return hub.command(sessionId, actor, { type: 'correct-board', place, board: found.board, roomId })
}

/** The boards of the library that are finished, by their titles. */
export async function boardsToGive(db: Database): Promise<BoardToGive[]> {
  const all = await listBoards(db)
  return all.filter(board => unfinishedIn(board).length === 0).map(({ id, title }) => ({ id, title }))
}

/** Gives rooms in which nobody has been yet another board of the library: one room, all there are and will be, or those to come. */
export async function giveBoardTo(
  db: Database,
  hub: LiveHub,
  by: Account,
  sessionId: string,
  { boardId, ...to }: z.infer<typeof giveBoard>,
): Promise<Result<unknown, LiveProblem>> {
  const found = await getBoard(db, boardId).catch(nullWhenGone)
  if (!found || unfinishedIn(found).length > 0) return refused({ code: 'no-such-board' })
  const { title, steps, prompts, parts } = found
  const board = { title, steps, prompts, ...(parts && { parts }), source: boardId }
  const actor = { kind: 'facilitator', accountId: by.id, name: by.displayName } as const
  return hub.command(sessionId, actor, { type: 'give-board', board, ...to })
}

async function correctionAt(db: Database, state: LiveState, place: number) {
  const inUse = state.boards[place]
  const rooms = openRooms(state.rooms).filter(room => (room.board ?? 0) === place)
  if (!inUse?.source || rooms.length === 0) return null
  const now = await getBoard(db, inUse.source).catch(nullWhenGone)
  if (!now) return null
  const { board, changes, stays } = correctionOf(inUse, now)
  const shown: BoardCorrection = {
    place,
    boardId: inUse.source,
    title: inUse.title,
    rooms: rooms.map(({ id, name }) => ({ id, name })),
    changes,
    stays,
    unfinished: unfinishedIn(board).length > 0,
  }
  return { shown, board }
}
