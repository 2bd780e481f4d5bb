import type { Board } from '../../boards/board'
import type { MovesState } from '../moves/terms'
import { remember } from '../remember'
import type { RolesState } from '../roles/roles-facts'

/** What people may do by themselves in a room: go to others, come back before they are called, pass on their role, add pictures. */
export const ROOM_RIGHTS = ['change', 'return', 'pass-roles', 'pictures'] as const
export type RoomRight = (typeof ROOM_RIGHTS)[number]

export interface RoomRightsState {
  /** In rooms of which nothing else was said; the others are said with the round. */
  mayAddPictures: boolean
  /** What was said of one room, by its id. */
  rightsIn: Readonly<Record<string, Partial<Record<RoomRight, boolean>>>>
}

type Read = RoomRightsState & Pick<MovesState, 'terms'> & Pick<RolesState, 'rolesRule'>

/** Whether people may in rooms of which nothing else was said. */
export function mayInAll({ terms, rolesRule, mayAddPictures }: Read, right: RoomRight): boolean {
  switch (right) {
    case 'change':
      return terms.mayChange
    case 'return':
      return terms.mayReturn
    case 'pass-roles':
      return rolesRule?.mayPass ?? false
    case 'pictures':
      return mayAddPictures
  }
}

/** Whether people of a room may. */
export const mayIn = (state: Read, right: RoomRight, roomId: string | null): boolean =>
  state.rightsIn[roomId ?? '']?.[right] ?? mayInAll(state, right)

/** A board to which nobody adds pictures of their own. */
export const withoutAdding = remember((board: Board): Board => {
  const adds = (prompt: Board['prompts'][number]) =>
    prompt.kind === 'pictures' && prompt.settings.add === true
  if (!board.prompts.some(adds)) return board
  return {
    ...board,
    prompts: board.prompts.map(prompt =>
      prompt.kind === 'pictures' ? { ...prompt, settings: { ...prompt.settings, add: false } } : prompt,
    ),
  }
})
