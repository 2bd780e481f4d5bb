/** What facilitators said in a session and noted down, for looking back at it. */
import type { LiveState } from '../live/topics'

export interface SaidThen {
  id: string
  kind: 'broadcast' | 'note'
  at: number
  from: string
  text: string
  /** To whom: names of rooms, or of one person; null for everybody. */
  to: string[] | null
  /** The title of what was said with it. */
  thing: string | null
  /** How many have seen it. */
  seen: number
  answers: { id: string; by: string; room: string | null; text: string }[]
}

export interface ObservedThen {
  id: string
  at: number
  from: string
  text: string
  /** The name of the room or person it is on. */
  on: string
}

const roomName = ({ rooms }: LiveState, roomId: string): string =>
  rooms.find(({ id }) => id === roomId)?.name ?? ''

const personName = ({ participants }: LiveState, participantId: string): string =>
  participants.get(participantId)?.shownName ?? ''

/** All broadcasts and notes in order, each with what came back. O(messages x (answers + people)). */
export function whatWasSaid(state: LiveState): SaidThen[] {
  return state.messages.map(({ id, kind, at, from, text, roomIds, toId, thing }) => {
    const seen = new Set(state.seenBy[id])
    for (const [participantId, away] of Object.entries(state.putAway))
      if (away.includes(id)) seen.add(participantId)
    return {
      id,
      kind,
      at,
      from,
      text,
      to: toId === null ? (roomIds?.map(each => roomName(state, each)) ?? null) : [personName(state, toId)],
      thing: thing?.title ?? null,
      seen: seen.size,
      answers: state.messageAnswers
        .filter(({ messageId }) => messageId === id)
        .map(answer => ({
          id: answer.id,
          by: personName(state, answer.participantId),
          room: answer.roomId === null ? null : roomName(state, answer.roomId),
          text: answer.text,
        })),
    }
  })
}

/** All observations in order, with the names of what they are on. */
export const whatWasObserved = (state: LiveState): ObservedThen[] =>
  state.observations.map(({ id, at, from, text, roomId, participantId }) => ({
    id,
    at,
    from,
    text,
    on: roomId === null ? personName(state, participantId ?? '') : roomName(state, roomId),
  }))
