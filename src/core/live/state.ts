import type { Board } from '../boards/board'
import type { PlannedRoom } from './events'

export interface Participant {
  id: string
  personId: string | null
  shownName: string
  /** Let in from the waiting list, or came straight in. */
  admitted: boolean
  connected: boolean
  /** The room they belong to, whether or not they are in it now. */
  roomId: string | null
  /** In that room now; otherwise with the whole group. */
  inRoom: boolean
  joinedAt: number
  /** When they were last seen to come or go. */
  seenAt: number
  /** Their name was freed for somebody else to take; they are out of the session. */
  released: boolean
}

export interface Round {
  number: number
  startedAt: number
  endsAt: number
  /** Set once called back: until then people finish their sentence. */
  graceEndsAt: number | null
  /** When the round would have ended, had it not been called back. */
  plannedEndsAt: number
  /** Warnings already given, as seconds before the end. */
  warned: number[]
}

export interface PastRound {
  number: number
  startedAt: number
  endedAt: number
}

export interface Message {
  id: string
  kind: 'broadcast' | 'note'
  /** Null for a broadcast, which goes to every room. */
  roomId: string | null
  text: string
  from: string
  at: number
}

export interface HelpCall {
  id: string
  roomId: string
  participantId: string
  at: number
  closedAt: number | null
  how: 'visit' | 'note' | 'withdrawn' | 'round-ended' | null
}

/** Somebody says a name is not theirs though their page goes by it, or theirs though somebody else has it. */
export interface Doubt {
  id: string
  participantId: string
  how: 'not-me' | 'mine-is-taken'
  at: number
}

export interface Visit {
  accountId: string
  name: string
  roomId: string
  startedAt: number
}

/** Everything the log says about a session at one moment. Never changed in place: `evolve` returns a new one. */
export interface LiveState {
  seq: number
  phase: 'planned' | 'open' | 'ended'
  title: string
  openedAt: number | null
  endedAt: number | null
  roomSeconds: number
  graceSeconds: number
  waitingList: boolean
  board: Board
  rooms: PlannedRoom[]
  expected: { personId: string; shownName: string; roomId: string | null }[]
  participants: Readonly<Record<string, Participant>>
  round: Round | null
  pastRounds: PastRound[]
  messages: Message[]
  /** Message ids each participant has put away. */
  putAway: Readonly<Record<string, string[]>>
  helpCalls: HelpCall[]
  visits: Visit[]
  /** Doubts about names that nobody has settled yet. */
  doubts: Doubt[]
  /** When each room was last visited, by room id. */
  lastVisit: Readonly<Record<string, number>>
}

/** A session of which nothing has happened yet. */
export const unopened: LiveState = {
  seq: 0,
  phase: 'planned',
  title: '',
  openedAt: null,
  endedAt: null,
  roomSeconds: 0,
  graceSeconds: 0,
  waitingList: false,
  board: { title: '', steps: [], prompts: [] },
  rooms: [],
  expected: [],
  participants: {},
  round: null,
  pastRounds: [],
  messages: [],
  putAway: {},
  helpCalls: [],
  visits: [],
  doubts: [],
  lastVisit: {},
}

export const participantList = (state: LiveState): Participant[] =>
  Object.values(state.participants).filter(participant => !participant.released)

export const roomOf = (state: LiveState, roomId: string | null): PlannedRoom | undefined =>
  state.rooms.find(room => room.id === roomId)

/** People who are in a room now. */
export const peopleIn = (state: LiveState, roomId: string): Participant[] =>
  participantList(state).filter(participant => participant.inRoom && participant.roomId === roomId)

/** The open help call of a room, if it has one: a room has at most one at a time. */
export const openHelp = (state: LiveState, roomId: string): HelpCall | undefined =>
  state.helpCalls.find(call => call.roomId === roomId && call.closedAt === null)
