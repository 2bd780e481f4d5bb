import type { RoomRight } from './may-in'
import type { WhoWrites } from './writing'

/** Who writes in rooms, in few words: they stand in the head of Live. */
export const WHO_WORDS: Record<WhoWrites, string> = {
  all: 'all write',
  lead: 'lead writes',
  scribe: 'scribe writes',
  turn: 'write in turns',
  nobody: 'all read along',
}

/** What people of a room may do by themselves, or may not. */
export const RIGHT_WORDS: Record<RoomRight, { of: string; may: string; mayNot: string }> = {
  change: { of: 'To other rooms', may: 'they may go', mayNot: 'they stay here' },
  return: { of: 'To the whole group', may: 'they may come back', mayNot: 'when they are called' },
  'pass-roles': { of: 'Their roles', may: 'may be passed on', mayNot: 'stay as given' },
  pictures: { of: 'Pictures of their own', may: 'may be added', mayNot: 'are not added' },
}
