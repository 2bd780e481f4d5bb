import { plainName } from '../people/shown-name'
import {
  type Actor,
  type Command,
  type LiveProblem,
  LONGEST_MESSAGE,
  LONGEST_ROUND,
  MOST_PARTICIPANTS,
  SHORTEST_ROUND,
} from './commands'
import type { LiveEvent } from './events'
import { type LiveState, openHelp, participantList, peopleIn, roomOf } from './state'

export type Decision = { ok: true; events: LiveEvent[] } | { ok: false; problem: LiveProblem }

type CommandType = Command['type']
type EventOf<Type extends LiveEvent['type']> = Extract<LiveEvent, { type: Type }>
type CommandOf<Type extends CommandType> = Extract<Command, { type: Type }>
type Decide<Type extends CommandType> = (
  state: LiveState,
  command: CommandOf<Type>,
  actor: Actor,
  now: number,
) => Decision

/**
 * Decides what a command leads to: the events that happen, or why it is refused.
 * An accepted command without events is one whose wish is already so, which makes every command safe to repeat.
 * `now` is in milliseconds since 1970. Pure: no clock, no randomness, new ids come in with the command.
 */
export function decide(state: LiveState, command: Command, actor: Actor, now: number): Decision {
  if (!MAY[actor.kind].has(command.type)) return refuse({ code: 'not-allowed' })
  if (command.type === 'open')
    return state.phase === 'planned' ? open(command) : refuse({ code: 'already-open' })
  if (state.phase === 'planned') return refuse({ code: 'not-open' })
  // Closing a tab after the end is no fault, and there is nothing left to record.
  if (state.phase === 'ended') return command.type === 'disconnect' ? nothing : refuse({ code: 'ended' })
  const decideThis = DECIDE[command.type] as Decide<CommandType>
  return decideThis(state, command, actor, now)
}

const MAY: Record<Actor['kind'], Set<CommandType>> = {
  facilitator: new Set([
    'open',
    'let-in',
    'send-out',
    'place',
    'add-time',
    'broadcast',
    'note',
    'visit',
    'leave-room',
    'rename-room',
    'set-waiting-list',
    'release',
    'call-back',
    'go-on',
    'settle-doubt',
    'end',
  ]),
  participant: new Set(['call-help', 'withdraw-help', 'put-away', 'not-me']),
  door: new Set(['join', 'connect', 'disconnect', 'claim-name']),
  clock: new Set(['warn', 'call-back', 'finish-grace']),
}

const happens = (...events: LiveEvent[]): Decision => ({ ok: true, events })
const nothing: Decision = { ok: true, events: [] }
const refuse = (problem: LiveProblem): Decision => ({ ok: false, problem })

const open = (command: CommandOf<'open'>): Decision => happens({ type: 'opened', plan: command.plan })

const DECIDE: { [Type in Exclude<CommandType, 'open'>]: Decide<Type> } = {
  join(state, { participantId, personId, shownName }) {
    const name = shownName.trim()
    if (!name) return refuse({ code: 'text-empty' })
    const present = participantList(state)
    if (present.length >= MOST_PARTICIPANTS) return refuse({ code: 'session-full', most: MOST_PARTICIPANTS })
    const readsTheSame = (other: { shownName: string; personId: string | null }) =>
      plainName(other.shownName) === plainName(name) || (personId !== null && other.personId === personId)
    const onTheList = personId === null && state.expected.some(readsTheSame)
    if (onTheList || present.some(readsTheSame)) return refuse({ code: 'name-taken', shownName: name })
    return happens({ type: 'joined', participantId, personId, shownName: name, admitted: !state.waitingList })
  },

  connect(state, { participantId }) {
    const participant = state.participants[participantId]
    if (!participant || participant.released) return refuse({ code: 'no-such-participant' })
    return participant.connected ? nothing : happens({ type: 'connected', participantId })
  },

  disconnect(state, { participantId }) {
    return state.participants[participantId]?.connected
      ? happens({ type: 'disconnected', participantId })
      : nothing
  },

  'let-in'(state, { participantIds }) {
    const waiting = participantIds.filter(id => {
      const participant = state.participants[id]
      return participant && !participant.admitted && !participant.released
    })
    return waiting.length > 0 ? happens({ type: 'admitted', participantIds: waiting }) : nothing
  },

  'send-out'(state, { seconds }, _actor, now) {
    if (state.round) return refuse({ code: 'already-out' })
    if (!lengthFits(seconds))
      return refuse({ code: 'bad-length', least: SHORTEST_ROUND, most: LONGEST_ROUND })
    const going = participantList(state).filter(
      participant => participant.admitted && participant.roomId !== null,
    )
    if (going.length === 0) return refuse({ code: 'nobody-to-send' })
    const number = state.pastRounds.length + 1
    const participantIds = going.map(participant => participant.id)
    return happens({ type: 'sent-out', number, endsAt: now + seconds * 1000, participantIds })
  },

  place(state, { participantId, roomId }) {
    const participant = state.participants[participantId]
    if (!participant || participant.released) return refuse({ code: 'no-such-participant' })
    if (roomId !== null && !roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
    if (!participant.admitted) return refuse({ code: 'waiting', shownName: participant.shownName })
    const intoRoom = state.round !== null && roomId !== null
    // Taken out of a room in mid-round, one keeps the room as the place to go back to.
    const target = roomId === null && participant.inRoom ? participant.roomId : roomId
    if (participant.roomId === target && participant.inRoom === intoRoom) return nothing
    return happens(
      { type: 'placed', participantId, roomId: target, intoRoom },
      ...closeEmptied(state, participantId, roomId),
    )
  },

  'add-time'(state, { seconds }, _actor, now) {
    if (!state.round) return refuse({ code: 'not-out' })
    if (!Number.isInteger(seconds) || seconds < 1)
      return refuse({ code: 'bad-length', least: 1, most: LONGEST_ROUND })
    const from = Math.max(state.round.endsAt, now)
    const endsAt = from + seconds * 1000
    if (endsAt - state.round.startedAt > LONGEST_ROUND * 1000) {
      return refuse({ code: 'bad-length', least: 1, most: LONGEST_ROUND })
    }
    return happens({ type: 'time-added', seconds, endsAt })
  },

  warn(state, { secondsLeft }) {
    if (!state.round || state.round.warned.includes(secondsLeft)) return nothing
    return happens({ type: 'warned', secondsLeft })
  },

  'call-back'(state, _command, _actor, now) {
    if (!state.round) return refuse({ code: 'not-out' })
    if (state.round.graceEndsAt !== null) return nothing
    // What fell due while the server was down counts from when it was due, so that grace is not given twice.
    const calledAt = Math.min(now, state.round.endsAt)
    const graceEndsAt = Math.max(calledAt + state.graceSeconds * 1000, now)
    return happens({ type: 'called-back', graceEndsAt })
  },

  'finish-grace'(state) {
    return state.round ? happens(...endRound(state)) : nothing
  },

  end(state) {
    return happens(...(state.round ? endRound(state) : []), { type: 'ended' })
  },

  broadcast(state, { messageId, text }, actor) {
    const problem = textProblem(text)
    if (problem) return refuse(problem)
    if (state.messages.some(message => message.id === messageId)) return nothing
    return happens({ type: 'broadcast', messageId, text: text.trim(), from: nameOf(actor) })
  },

  note(state, { messageId, roomId, text, helpId }, actor) {
    if (!roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
    const problem = textProblem(text)
    if (problem) return refuse(problem)
    const note: LiveEvent = { type: 'note', messageId, roomId, text: text.trim(), from: nameOf(actor) }
    const call = openHelp(state, roomId)
    const answers = call && call.id === helpId
    return answers ? happens(note, { type: 'help-closed', helpId: call.id, how: 'note' }) : happens(note)
  },

  visit(state, { roomId }, actor) {
    if (!roomOf(state, roomId)) return refuse({ code: 'no-such-room' })
    if (!state.round) return refuse({ code: 'not-out' })
    if (actor.kind !== 'facilitator') return refuse({ code: 'not-allowed' })
    const { accountId, name } = actor
    const current = state.visits.find(visit => visit.accountId === accountId)
    const call = openHelp(state, roomId)
    const closing: LiveEvent[] = call ? [{ type: 'help-closed', helpId: call.id, how: 'visit' }] : []
    if (current?.roomId === roomId) return happens(...closing)
    const leaving: LiveEvent[] = current ? [{ type: 'visit-ended', accountId, roomId: current.roomId }] : []
    return happens(...leaving, { type: 'visit-started', accountId, name, roomId }, ...closing)
  },

  'leave-room'(state, _command, actor) {
    const current = state.visits.find(
      visit => actor.kind === 'facilitator' && visit.accountId === actor.accountId,
    )
    return current
      ? happens({ type: 'visit-ended', accountId: current.accountId, roomId: current.roomId })
      : nothing
  },

  'rename-room'(state, { roomId, name }) {
    const room = roomOf(state, roomId)
    if (!room) return refuse({ code: 'no-such-room' })
    const tidy = name.trim()
    if (!tidy) return refuse({ code: 'text-empty' })
    if (tidy.length > 60) return refuse({ code: 'text-too-long', most: 60 })
    return room.name === tidy ? nothing : happens({ type: 'room-renamed', roomId, name: tidy })
  },

  'set-waiting-list'(state, { on }) {
    return state.waitingList === on ? nothing : happens({ type: 'waiting-list-set', on })
  },

  'go-on'(state, _command, _actor, now) {
    if (!state.round) return refuse({ code: 'not-out' })
    if (state.round.graceEndsAt === null) return refuse({ code: 'not-called-back' })
    // The time that was left is what it would be now; a round whose time is over can only be given more.
    if (state.round.plannedEndsAt <= now) return refuse({ code: 'round-over' })
    return happens({ type: 'gone-on', endsAt: state.round.plannedEndsAt })
  },

  'not-me'(state, { doubtId, wrote }, actor) {
    const participant = actor.kind === 'participant' ? state.participants[actor.participantId] : undefined
    if (!participant || participant.released) return refuse({ code: 'no-such-participant' })
    if (!wrote) return release(state, participant.id)
    return doubt(state, { doubtId, participantId: participant.id, how: 'not-me' })
  },

  'claim-name'(state, { doubtId, participantId }) {
    const participant = state.participants[participantId]
    if (!participant || participant.released) return refuse({ code: 'no-such-participant' })
    return doubt(state, { doubtId, participantId, how: 'mine-is-taken' })
  },

  'settle-doubt'(state, { doubtId, free }) {
    const found = state.doubts.find(candidate => candidate.id === doubtId)
    if (!found) return refuse({ code: 'no-such-doubt' })
    return free ? release(state, found.participantId) : happens({ type: 'doubt-settled', doubtId })
  },

  release(state, { participantId }) {
    const participant = state.participants[participantId]
    if (!participant) return refuse({ code: 'no-such-participant' })
    return participant.released ? nothing : release(state, participantId)
  },

  'call-help'(state, { helpId }, actor) {
    const participant = actor.kind === 'participant' ? state.participants[actor.participantId] : undefined
    if (!participant || participant.released) return refuse({ code: 'no-such-participant' })
    if (!participant.inRoom || participant.roomId === null) return refuse({ code: 'not-in-a-room' })
    if (openHelp(state, participant.roomId)) return nothing
    return happens({ type: 'help-called', helpId, roomId: participant.roomId, participantId: participant.id })
  },

  'withdraw-help'(state, _command, actor) {
    const participant = actor.kind === 'participant' ? state.participants[actor.participantId] : undefined
    const call = participant?.inRoom && participant.roomId ? openHelp(state, participant.roomId) : undefined
    return call ? happens({ type: 'help-closed', helpId: call.id, how: 'withdrawn' }) : nothing
  },

  'put-away'(state, { messageId }, actor) {
    if (actor.kind !== 'participant') return refuse({ code: 'not-allowed' })
    const { participantId } = actor
    if (!state.participants[participantId]) return refuse({ code: 'no-such-participant' })
    if (!state.messages.some(message => message.id === messageId)) return refuse({ code: 'no-such-message' })
    if (state.putAway[participantId]?.includes(messageId)) return nothing
    return happens({ type: 'put-away', participantId, messageId })
  },
}

/** Frees a name: whoever held it is out, and what was in doubt about it is settled by that. */
const release = (state: LiveState, participantId: string): Decision =>
  happens({ type: 'released', participantId }, ...closeEmptied(state, participantId, null))

/** One doubt of a kind about a name is enough, however often it is said. */
function doubt(state: LiveState, event: Omit<EventOf<'name-doubted'>, 'type'>): Decision {
  const known = state.doubts.some(
    other => other.participantId === event.participantId && other.how === event.how,
  )
  return known ? nothing : happens({ type: 'name-doubted', ...event })
}

const nameOf = (actor: Actor): string => (actor.kind === 'facilitator' ? actor.name : '')

const lengthFits = (seconds: number) =>
  Number.isInteger(seconds) && seconds >= SHORTEST_ROUND && seconds <= LONGEST_ROUND

function textProblem(text: string): LiveProblem | undefined {
  if (!text.trim()) return { code: 'text-empty' }
  return text.trim().length > LONGEST_MESSAGE ? { code: 'text-too-long', most: LONGEST_MESSAGE } : undefined
}

/** Ends the round: open help calls are over with it, and so are visits. */
function endRound(state: LiveState): LiveEvent[] {
  const calls = state.helpCalls.filter(call => call.closedAt === null)
  return [
    ...calls.map((call): LiveEvent => ({ type: 'help-closed', helpId: call.id, how: 'round-ended' })),
    ...state.visits.map(
      (visit): LiveEvent => ({
        type: 'visit-ended',
        accountId: visit.accountId,
        roomId: visit.roomId,
      }),
    ),
    { type: 'round-ended' },
  ]
}

/** A room that the last person leaves no longer calls for help. */
function closeEmptied(state: LiveState, leaverId: string, toRoomId: string | null): LiveEvent[] {
  const leaver = state.participants[leaverId]
  if (!leaver?.inRoom || leaver.roomId === null || leaver.roomId === toRoomId) return []
  if (peopleIn(state, leaver.roomId).length > 1) return []
  const call = openHelp(state, leaver.roomId)
  return call ? [{ type: 'help-closed', helpId: call.id, how: 'withdrawn' }] : []
}
