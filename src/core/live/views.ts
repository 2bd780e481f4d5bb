/**
 * What each reader may see of a session. A view is cut into sections so that only what changed is sent again.
 * Nothing leaves the server but a view, and a view holds nothing its reader may not see: a participant gets the
 * names of the people in their own room and nobody else's.
 */
import type { Board } from '../boards/board'
import { MOST_PARTICIPANTS } from './commands'
import {
  type Doubt,
  type HelpCall,
  type LiveState,
  type Message,
  type Participant,
  participantList,
  peopleIn,
  roomOf,
  type Visit,
} from './state'

export type Viewer =
  | { kind: 'facilitator' }
  | { kind: 'projector' }
  | { kind: 'participant'; participantId: string }

export interface SessionSection {
  title: string
  phase: LiveState['phase']
  /** Rounds that have begun. */
  rounds: number
}

/** The clock of the round; null with the whole group together. Times are milliseconds since 1970. */
export type ClockSection = {
  number: number
  startedAt: number
  endsAt: number
  graceEndsAt: number | null
  /** When it would have ended, had it not been called back. */
  plannedEndsAt: number
  warned: number[]
} | null

export interface Member {
  id: string
  shownName: string
  connected: boolean
}

export interface ParticipantView {
  session: SessionSection
  clock: ClockSection
  /** `doubted`: they have said that the name is not theirs, and nobody has settled that yet. */
  me: { id: string; shownName: string; admitted: boolean; released: boolean; doubted: boolean }
  place:
    | { where: 'waiting' }
    | { where: 'whole'; next: { name: string; members: string[] } | null }
    | { where: 'room'; roomId: string; name: string; copyId: string; members: Member[] }
  board: Board | null
  /** Broadcasts, and notes to the room one is in: the same objects as in the state, in order. */
  messages: Message[]
  /** Which of them this participant has put away. */
  putAway: string[]
  help: { at: number; mine: boolean } | null
  visits: string[]
}

export interface LanePerson extends Member {
  admitted: boolean
  roomId: string | null
  inRoom: boolean
  seenAt: number
}

export interface FacilitatorView {
  session: SessionSection & {
    openedAt: number | null
    endedAt: number | null
    waitingList: boolean
    roomSeconds: number
    graceSeconds: number
    pastRounds: LiveState['pastRounds']
    mostParticipants: number
  }
  clock: ClockSection
  rooms: { id: string; name: string; copyId: string; lastVisitAt: number | null }[]
  board: Board
  people: LanePerson[]
  expected: { personId: string; shownName: string; roomId: string | null }[]
  messages: Message[]
  help: HelpCall[]
  visits: Visit[]
  doubts: Doubt[]
}

export interface ProjectorView {
  session: SessionSection
  clock: ClockSection
  rooms: { id: string; name: string; members: string[] }[]
  task: { title: string; steps: string[] }
  broadcast: { text: string; at: number } | null
}

export type View = ParticipantView | FacilitatorView | ProjectorView

/** The view of one reader; null when they have none, as somebody who never joined. O(participants). */
export function viewFor(state: LiveState, viewer: Viewer): View | null {
  if (viewer.kind === 'facilitator') return facilitatorView(state)
  if (viewer.kind === 'projector') return projectorView(state)
  return participantView(state, viewer.participantId)
}

const sessionOf = ({ title, phase, round, pastRounds }: LiveState): SessionSection => ({
  title,
  phase,
  rounds: pastRounds.length + (round ? 1 : 0),
})

function clockOf(state: LiveState): ClockSection {
  if (!state.round) return null
  const { number, startedAt, endsAt, graceEndsAt, plannedEndsAt, warned } = state.round
  return { number, startedAt, endsAt, graceEndsAt, plannedEndsAt, warned }
}

export function participantView(state: LiveState, participantId: string): ParticipantView | null {
  const me = state.participants[participantId]
  if (!me) return null
  const room = me.inRoom && !me.released ? roomOf(state, me.roomId) : undefined
  const call =
    room && state.helpCalls.find(candidate => candidate.roomId === room.id && candidate.closedAt === null)
  return {
    session: sessionOf(state),
    clock: me.admitted ? clockOf(state) : null,
    me: {
      id: me.id,
      shownName: me.shownName,
      admitted: me.admitted,
      released: me.released,
      doubted: state.doubts.some(doubt => doubt.participantId === me.id && doubt.how === 'not-me'),
    },
    place: placeOf(state, me),
    board: room ? state.board : null,
    messages: me.admitted && !me.released ? messagesFor(state, me) : [],
    putAway: state.putAway[me.id] ?? [],
    help: call ? { at: call.at, mine: call.participantId === me.id } : null,
    visits: room ? state.visits.filter(visit => visit.roomId === room.id).map(visit => visit.name) : [],
  }
}

function placeOf(state: LiveState, me: Participant): ParticipantView['place'] {
  if (!me.admitted || me.released) return { where: 'waiting' }
  const room = roomOf(state, me.roomId)
  if (!room) return { where: 'whole', next: null }
  const together = belongingTo(state, room.id)
  if (!me.inRoom) {
    const members = together.map(other => other.shownName)
    return { where: 'whole', next: state.phase === 'open' ? { name: room.name, members } : null }
  }
  const members = together.filter(other => other.inRoom).map(memberOf)
  return { where: 'room', roomId: room.id, name: room.name, copyId: room.copyId, members }
}

const messagesFor = (state: LiveState, me: Participant): Message[] =>
  state.messages.filter(
    message => message.kind === 'broadcast' || (me.inRoom && message.roomId === me.roomId),
  )

const byRoom = new WeakMap<LiveState['participants'], Map<string, Participant[]>>()

/**
 * Everybody let in who belongs to a room. Sorted out once for all rooms and kept with the participants it was made
 * from: a class of 200 would otherwise be gone through 200 times for every event.
 */
function belongingTo(state: LiveState, roomId: string): Participant[] {
  let rooms = byRoom.get(state.participants)
  if (!rooms) {
    rooms = new Map()
    for (const participant of participantList(state)) {
      if (!participant.admitted || participant.roomId === null) continue
      const others = rooms.get(participant.roomId)
      if (others) others.push(participant)
      else rooms.set(participant.roomId, [participant])
    }
    byRoom.set(state.participants, rooms)
  }
  return rooms.get(roomId) ?? []
}

const memberOf = (participant: Participant): Member => ({
  id: participant.id,
  shownName: participant.shownName,
  connected: participant.connected,
})

export function facilitatorView(state: LiveState): FacilitatorView {
  const present = new Set(participantList(state).map(participant => participant.personId))
  return {
    session: {
      ...sessionOf(state),
      openedAt: state.openedAt,
      endedAt: state.endedAt,
      waitingList: state.waitingList,
      roomSeconds: state.roomSeconds,
      graceSeconds: state.graceSeconds,
      pastRounds: state.pastRounds,
      mostParticipants: MOST_PARTICIPANTS,
    },
    clock: clockOf(state),
    rooms: state.rooms.map(room => ({ ...room, lastVisitAt: state.lastVisit[room.id] ?? null })),
    board: state.board,
    people: participantList(state).map(participant => ({
      ...memberOf(participant),
      admitted: participant.admitted,
      roomId: participant.roomId,
      inRoom: participant.inRoom,
      seenAt: participant.seenAt,
    })),
    expected: state.expected.filter(person => !present.has(person.personId)),
    messages: state.messages,
    help: state.helpCalls.filter(call => call.closedAt === null),
    visits: state.visits,
    doubts: state.doubts,
  }
}

/** What the whole class may see: who goes where, the clock, the task. Before anybody is out, who is expected where. */
export function projectorView(state: LiveState): ProjectorView {
  const inRoom = (roomId: string) =>
    state.round
      ? peopleIn(state, roomId)
      : participantList(state).filter(participant => participant.admitted && participant.roomId === roomId)
  const arrived = new Set(participantList(state).map(participant => participant.personId))
  const awaited = (roomId: string) =>
    state.round
      ? []
      : state.expected.filter(person => person.roomId === roomId && !arrived.has(person.personId))
  const last = state.messages.filter(message => message.kind === 'broadcast').at(-1)
  return {
    session: sessionOf(state),
    clock: clockOf(state),
    rooms: state.rooms.map(room => ({
      id: room.id,
      name: room.name,
      members: [...inRoom(room.id), ...awaited(room.id)].map(person => person.shownName),
    })),
    task: { title: state.board.title, steps: state.board.steps },
    broadcast:
      last && state.round && last.at >= state.round.startedAt ? { text: last.text, at: last.at } : null,
  }
}

/** Whether somebody may read and write a board copy now: only people who are in its room, while they are. */
export function mayWorkOn(state: LiveState, participantId: string, copyId: string): boolean {
  const participant = state.participants[participantId]
  if (!participant || participant.released || !participant.inRoom || state.phase !== 'open') return false
  return state.rooms.some(room => room.copyId === copyId && room.id === participant.roomId)
}
