import type { CommandType } from '../topics'
import { type DutiesState, type DutyKind, dutyOf } from './duty'

/** What everybody at the front may do, whatever is theirs: come and go, leave a room, and take everything again. */
const ALWAYS: readonly CommandType[] = [
  'facilitator-comes',
  'facilitator-goes',
  'leave-room',
  'take-everything',
]

/** The clock, the doors, and what comes next; and ending what is over. */
const CLOCK: readonly CommandType[] = [
  'send-out',
  'add-time',
  'call-back',
  'go-on',
  'next-segment',
  'skip-segment',
  'let-in',
  'lock-door',
  'set-waiting-list',
  'set-late',
  'release',
  'remove',
  'settle-doubt',
  'end',
]

const MAY: Record<Exclude<DutyKind, 'all'>, ReadonlySet<CommandType>> = {
  clock: new Set([...ALWAYS, ...CLOCK]),
  watch: new Set(ALWAYS),
}

/** Whether somebody at the front may give a command, by what is theirs to do. */
export function mayDo(state: DutiesState, accountId: string, type: CommandType): boolean {
  const { does } = dutyOf(state, accountId)
  return does === 'all' || MAY[does].has(type)
}
