import type { Board } from '../../boards/board'
import type { HiddenTextsState } from '../hidden/opened'
import { type PartsState, readBoardIn } from '../parts/parts'
import { openRooms, type Room, type RoomsState, roomOf } from '../rooms/room'
import type { SessionState } from '../session/session'
import type { PutUpWork } from './things'

export type ReadForWork = HiddenTextsState & PartsState & RoomsState & Pick<SessionState, 'boards' | 'phase'>

/** The rooms whose work it is, with the prompts that are put up, as far as the rooms themselves see them. */
export function roomsWith(
  state: ReadForWork,
  { roomId, promptId }: Pick<PutUpWork, 'roomId' | 'promptId'>,
): { room: Room; board: Board }[] {
  if (roomId === null && promptId === null) return []
  const one = roomId === null ? null : roomOf(state, roomId)
  const rooms = roomId === null ? openRooms(state.rooms) : one ? [one] : []
  return rooms.flatMap(room => {
    const board = readBoardIn(state, room)
    const prompts = board.prompts.filter(({ id }) => promptId === null || id === promptId)
    return prompts.length === 0 ? [] : [{ room, board: { ...board, prompts } }]
  })
}
