import type { LiveEvent, Recorded } from './events'
import { type LiveState, type Participant, unopened } from './state'

/** Folds one recorded event into the state. Total: an event that no longer fits leaves the rest as it is. */
export function evolve(state: LiveState, recorded: Recorded): LiveState {
  return { ...state, ...apply(state, recorded.event, recorded.at), seq: recorded.seq }
}

/** The state a whole log leads to. O(events). */
export const fold = (log: readonly Recorded[]): LiveState => log.reduce(evolve, unopened)

type Changes = Partial<LiveState>

function apply(state: LiveState, event: LiveEvent, at: number): Changes {
  switch (event.type) {
    case 'opened': {
      const { people, groupingVersion: _version, ...plan } = event.plan
      return { ...plan, expected: people, phase: 'open', openedAt: at }
    }
    case 'joined':
      return { participants: { ...state.participants, [event.participantId]: newcomer(state, event, at) } }
    case 'admitted':
      return changeParticipants(state, event.participantIds, () => ({ admitted: true }))
    case 'connected':
      return changeParticipants(state, [event.participantId], () => ({ connected: true, seenAt: at }))
    case 'disconnected':
      return changeParticipants(state, [event.participantId], () => ({ connected: false, seenAt: at }))
    case 'released':
      return {
        ...changeParticipants(state, [event.participantId], () => ({
          released: true,
          connected: false,
          inRoom: false,
          seenAt: at,
        })),
        doubts: state.doubts.filter(doubt => doubt.participantId !== event.participantId),
      }
    case 'name-doubted': {
      const { doubtId: id, participantId, how } = event
      return { doubts: [...state.doubts, { id, participantId, how, at }] }
    }
    case 'doubt-settled':
      return { doubts: state.doubts.filter(doubt => doubt.id !== event.doubtId) }
    case 'sent-out':
      return {
        ...changeParticipants(state, event.participantIds, () => ({ inRoom: true })),
        round: {
          number: event.number,
          startedAt: at,
          endsAt: event.endsAt,
          graceEndsAt: null,
          plannedEndsAt: event.endsAt,
          warned: [],
        },
      }
    case 'placed':
      return changeParticipants(state, [event.participantId], () => ({
        roomId: event.roomId,
        inRoom: event.intoRoom && event.roomId !== null,
      }))
    case 'time-added':
      return changeRound(state, {
        endsAt: event.endsAt,
        plannedEndsAt: event.endsAt,
        graceEndsAt: null,
        warned: [],
      })
    case 'warned':
      return changeRound(state, { warned: [...(state.round?.warned ?? []), event.secondsLeft] })
    case 'called-back':
      return changeRound(state, {
        graceEndsAt: event.graceEndsAt,
        endsAt: Math.min(state.round?.endsAt ?? at, at),
      })
    case 'gone-on':
      return changeRound(state, { endsAt: event.endsAt, graceEndsAt: null })
    case 'round-ended':
      return endRound(state, at)
    case 'ended':
      return { ...endRound(state, at), phase: 'ended', endedAt: at, visits: [] }
    case 'room-renamed':
      return {
        rooms: state.rooms.map(room => (room.id === event.roomId ? { ...room, name: event.name } : room)),
      }
    case 'waiting-list-set':
      return { waitingList: event.on }
    default:
      return applyTalk(state, event, at)
  }
}

type TalkEvent = Extract<
  LiveEvent,
  {
    type: 'broadcast' | 'note' | 'put-away' | 'help-called' | 'help-closed' | 'visit-started' | 'visit-ended'
  }
>

/** What passes between facilitators and rooms: messages, help calls, visits. */
function applyTalk(state: LiveState, event: TalkEvent, at: number): Changes {
  switch (event.type) {
    case 'broadcast':
    case 'note': {
      const roomId = event.type === 'note' ? event.roomId : null
      const { messageId: id, text, from } = event
      return { messages: [...state.messages, { id, kind: event.type, roomId, text, from, at }] }
    }
    case 'put-away': {
      const earlier = state.putAway[event.participantId] ?? []
      return { putAway: { ...state.putAway, [event.participantId]: [...earlier, event.messageId] } }
    }
    case 'help-called': {
      const { helpId: id, roomId, participantId } = event
      return { helpCalls: [...state.helpCalls, { id, roomId, participantId, at, closedAt: null, how: null }] }
    }
    case 'help-closed':
      return {
        helpCalls: state.helpCalls.map(call =>
          call.id === event.helpId ? { ...call, closedAt: at, how: event.how } : call,
        ),
      }
    case 'visit-started': {
      const { accountId, name, roomId } = event
      return {
        visits: [...visitsWithout(state, accountId), { accountId, name, roomId, startedAt: at }],
        lastVisit: { ...state.lastVisit, [roomId]: at },
      }
    }
    case 'visit-ended':
      return {
        visits: visitsWithout(state, event.accountId),
        lastVisit: { ...state.lastVisit, [event.roomId]: at },
      }
  }
}

const visitsWithout = (state: LiveState, accountId: string) =>
  state.visits.filter(visit => visit.accountId !== accountId)

function newcomer(state: LiveState, event: Extract<LiveEvent, { type: 'joined' }>, at: number): Participant {
  const expected = state.expected.find(person => person.personId === event.personId)
  // Whoever takes up a name that was freed also takes up the room it had.
  const before = Object.values(state.participants).find(
    participant =>
      participant.released && participant.personId !== null && participant.personId === event.personId,
  )
  return {
    id: event.participantId,
    personId: event.personId,
    shownName: event.shownName,
    admitted: event.admitted,
    connected: false,
    roomId: before?.roomId ?? expected?.roomId ?? null,
    inRoom: false,
    joinedAt: at,
    seenAt: at,
    released: false,
  }
}

function changeParticipants(
  state: LiveState,
  ids: readonly string[],
  change: (participant: Participant) => Partial<Participant>,
): Changes {
  const participants = { ...state.participants }
  for (const id of ids) {
    const participant = participants[id]
    if (participant) participants[id] = { ...participant, ...change(participant) }
  }
  return { participants }
}

const changeRound = (state: LiveState, change: Partial<NonNullable<LiveState['round']>>): Changes =>
  state.round ? { round: { ...state.round, ...change } } : {}

function endRound(state: LiveState, at: number): Changes {
  if (!state.round) return {}
  const { number, startedAt } = state.round
  return {
    ...changeParticipants(state, Object.keys(state.participants), () => ({ inRoom: false })),
    round: null,
    pastRounds: [...state.pastRounds, { number, startedAt, endedAt: at }],
  }
}
