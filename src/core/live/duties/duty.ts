/** What somebody at the front does: everything, only the clock and the doors while another presents, or nothing but look on. */
export const DUTIES = ['all', 'clock', 'watch'] as const
export type DutyKind = (typeof DUTIES)[number]

export interface Duty {
  does: DutyKind
  /** The rooms that are theirs to look after; null for all. */
  rooms: readonly string[] | null
}

/** What a plan gives somebody to do from the opening on; their rooms are those of these groups, without any of them all. */
export interface PlannedDuty {
  does: DutyKind
  groupIds: readonly string[]
}

export interface DutiesState {
  /** Of those of whom something was said, by account: all others do everything, in all rooms. */
  duties: Readonly<Record<string, Duty>>
}

const EVERYTHING: Duty = { does: 'all', rooms: null }

export const dutyOf = ({ duties }: DutiesState, accountId: string): Duty => duties[accountId] ?? EVERYTHING

/** Whether a room is somebody's to look after. Rooms that are no longer there are nobody's: then all are theirs again. */
export function isTheirs(
  state: DutiesState & { rooms: readonly { id: string }[] },
  accountId: string,
  roomId: string,
): boolean {
  const { rooms } = dutyOf(state, accountId)
  return rooms === null || rooms.includes(roomId) || !state.rooms.some(({ id }) => rooms.includes(id))
}
