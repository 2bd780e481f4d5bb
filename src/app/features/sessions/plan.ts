import type { PICTURES } from '~/contracts/forms/sessions'
import type { CallWay } from '~/core/live/call/ways'
import type { DutyKind } from '~/core/live/duties/duty'
import type { WhoWrites } from '~/core/live/rights/writing'

/** The plan of a session as its form shows it; of one that is new, as far as anything is known. */
export interface Plan {
  title?: string
  date?: string
  time?: string
  timeZone?: string
  groupingId: string
  groupingRound: number
  /** Rounds stand in the running order: what they are is changed there. */
  hasOrder?: boolean
  boardId?: string
  roomMinutes?: number
  graceSeconds?: number
  waitingList?: boolean
  callWay?: CallWay
  writing?: WhoWrites
  pictures?: (typeof PICTURES)[number]
  /** Everybody who may lead, and what they do. */
  duties?: { accountId: string; name: string; does: DutyKind }[]
  /** `byId`: who looks after it. */
  rooms: { groupId: string; name: string; people: number; byId?: string }[]
}

/** What was kept: with what others had changed meanwhile, where they had. */
export interface SavedPlan {
  plan: Plan
  base: string
  others: boolean
}
