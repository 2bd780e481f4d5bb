import type { LiveEvent, Recorded } from '../live/events'
import { evolve } from '../live/evolve'
import { type LiveState, peopleIn, unopened } from '../live/state'
import { leftText } from '../schedule/session-time'

export const MARK_KINDS = [
  'joined',
  'left',
  'dropped',
  'back',
  'broadcast',
  'note',
  'visit',
  'help',
  'helped',
  'warning',
] as const
export type MarkKind = (typeof MARK_KINDS)[number]

/** Something that happened in a room's lane at a moment. `what` is the person or the words it is about. */
export interface Mark {
  at: number
  roomId: string
  kind: MarkKind
  what: string
}

/**
 * The marks one event leaves on the lanes, given the state before it. A broadcast marks every room with people in
 * it; somebody who comes or goes marks the room they come to or leave.
 */
export function marksOf(before: LiveState, recorded: Recorded): Mark[] {
  const { event, at } = recorded
  const mark = (roomId: string | null | undefined, kind: MarkKind, what = ''): Mark[] =>
    roomId ? [{ at, roomId, kind, what }] : []
  const person = (id: string) => before.participants[id]
  switch (event.type) {
    case 'sent-out':
      return event.participantIds.flatMap(id => mark(person(id)?.roomId, 'joined', person(id)?.shownName))
    case 'placed': {
      const mover = person(event.participantId)
      if (!mover) return []
      const left = mover.inRoom && mover.roomId !== (event.intoRoom ? event.roomId : null)
      return [
        ...mark(left ? mover.roomId : null, 'left', mover.shownName),
        ...mark(event.intoRoom ? event.roomId : null, 'joined', mover.shownName),
      ]
    }
    case 'connected':
      return mark(inRoomOf(before, event.participantId), 'back', person(event.participantId)?.shownName)
    case 'disconnected':
      return mark(inRoomOf(before, event.participantId), 'dropped', person(event.participantId)?.shownName)
    case 'released':
      return mark(inRoomOf(before, event.participantId), 'left', person(event.participantId)?.shownName)
    default:
      return talkMarks(before, event, mark)
  }
}

function talkMarks(
  before: LiveState,
  event: LiveEvent,
  mark: (roomId: string | null | undefined, kind: MarkKind, what?: string) => Mark[],
): Mark[] {
  switch (event.type) {
    case 'broadcast':
      return before.rooms.flatMap(room =>
        peopleIn(before, room.id).length > 0 ? mark(room.id, 'broadcast', event.text) : [],
      )
    case 'warned':
      return before.rooms.flatMap(room =>
        peopleIn(before, room.id).length > 0 ? mark(room.id, 'warning', leftText(event.secondsLeft)) : [],
      )
    case 'note':
      return mark(event.roomId, 'note', event.text)
    case 'visit-started':
      return mark(event.roomId, 'visit', event.name)
    case 'help-called':
      return mark(event.roomId, 'help', before.participants[event.participantId]?.shownName)
    case 'help-closed':
      return mark(before.helpCalls.find(call => call.id === event.helpId)?.roomId, 'helped', event.how)
    default:
      return []
  }
}

function inRoomOf(state: LiveState, participantId: string): string | null {
  const participant = state.participants[participantId]
  return participant?.inRoom ? participant.roomId : null
}

/** Every mark of a whole log, in order. O(events x rooms). */
export function allMarks(log: readonly Recorded[]): Mark[] {
  const marks: Mark[] = []
  let state = unopened
  for (const recorded of log) {
    marks.push(...marksOf(state, recorded))
    state = evolve(state, recorded)
  }
  return marks
}
