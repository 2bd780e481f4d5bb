/** Rooms stand ready for the round that comes. */
import type { RunSegment } from '../../schedule/running-order'
import { type Participant, participantList } from '../door/people'
import type { MovesEvent } from '../moves/terms'
import { type RoomSetEvent, roomSet } from '../room-set/room-set'
import { openRooms, type Room, roomOf } from '../rooms/room'
import { beginning, find, nextOf, type Running, type SegmentsEvent, type State } from './state'

/** An event of the running order, followed by the rooms of the round that comes, if they are known. */
export type Made = SegmentsEvent | RoomSetEvent | MovesEvent

/** A segment begins; where it is not a round itself, the rooms of the next are laid out. */
export function begun(state: State, { id, kind }: Running, now: number): { events: Made[]; state: State } {
  const event: SegmentsEvent = { type: 'segment-begun', segmentId: id }
  const after = { ...state, ...beginning(state, id, now) }
  return { events: kind === 'rooms' ? [event] : [event, ...layout(after)], state: after }
}

/**
 * The rooms of the round that comes next: as planned, or as in an earlier segment, on the same boards where it works on the same
 * one; in a rotation each group in the next room; groups that were made here go on, on boards of their own where the next round has
 * another. Stations that stay are the rooms of before, with others in them.
 */
export function layout(state: State): Made[] {
  const next = nextOf(state)
  if (next?.kind !== 'rooms' || state.round || state.laidOutFor === next.id) return []
  const { groups } = next
  if (groups.from === 'plan') {
    const rooms = groups.rooms.map(({ personIds, ...room }, place) => ({
      room: stationAt(state, next, place) ?? room,
      personIds,
    }))
    return [laidOut(state, next, rooms)]
  }
  if (groups.from === 'choice') {
    const rooms = groups.rooms.map(room => ({ room, personIds: [] }))
    const { least, most } = groups
    return [laidOut(state, next, rooms), { type: 'choosing-opened', least, most }]
  }
  const { from, steps } = originOf(state, groups)
  if (from.from === 'plan') return asPlanned(state, next, from.rooms, steps)
  const before = placesBefore(state, from)
  const there = before.flatMap(({ room }) => room ?? [])
  if (there.length === 0) return []
  if (steps === 0 && before.every(({ room }, place) => !room || (room.board ?? 0) === boardAt(next, place)))
    return from.from === 'live' ? [] : reopened(state, from, next, before)
  const people = participantList(state)
  const rooms = before.map(({ name }, place) => {
    // In the next room are those who were in the one before it, and in the first those of the last.
    const { id, room } = before[onBy(place, -steps, before)] as Place
    return {
      room: stationAt(state, next, place) ?? {
        id: `${next.id}-${place}`,
        copyId: `${next.id}-${place}`,
        name,
      },
      personIds: awaitedIn(state, id, from),
      participantIds: room?.closed
        ? room.lastIds
        : people.filter(({ roomId }) => roomId === id).map(one => one.id),
    }
  })
  return [laidOut(state, next, rooms)]
}

type Groups = RunSegment['groups']

/** Where the groups of a segment come from, past those that were left out, and how many rooms on they are then. O(segments). */
function originOf(state: State, asked: Groups): { from: Groups; steps: number } {
  let from = asked
  let steps = 0
  for (const _ of state.segments) {
    if (!('segmentId' in from)) break
    if (from.from === 'next-step') steps++
    const before = find(state, from.segmentId)
    if (!before || before.startedAt !== null) break
    from = before.groups
  }
  return { from, steps }
}

/** Groups that were planned for a round which was left out: the same people, so many rooms on, in rooms of this round. */
function asPlanned(state: State, next: Running, planned: readonly PlannedRoom[], steps: number): Made[] {
  const rooms = planned.map(({ name }, place) => {
    const id = `${next.id}-${place}`
    return {
      room: stationAt(state, next, place) ?? { id, copyId: id, name },
      personIds: planned[onBy(place, -steps, planned)]?.personIds ?? [],
    }
  })
  return [laidOut(state, next, rooms)]
}

type PlannedRoom = Extract<Groups, { from: 'plan' }>['rooms'][number]

/** The place so many on, round and round. */
const onBy = (place: number, by: number, { length }: readonly unknown[]): number =>
  (((place + by) % length) + length) % length

/** The room of this place in the round before that had the same station there, when it is to be found as it was left. */
function stationAt(state: State, next: Running, place: number): ToLayOut['room'] | undefined {
  if (!next.asLeft) return undefined
  const before = state.segments.findLast(
    one => one.kind === 'rooms' && one.startedAt !== null && boardAt(one, place) === boardAt(next, place),
  )
  const room = roomOf(state, before?.roomIds[place] ?? null)
  // Corrected alone, it may have another board by now: that one stays with it.
  return room?.used ? { id: room.id, copyId: room.copyId, name: room.name } : undefined
}

/** A room of before by its place; the room itself is gone where nobody ever entered it. */
interface Place {
  id: string
  name: string
  room: Room | undefined
}

function placesBefore(state: State, groups: Groups): Place[] {
  if (!('segmentId' in groups))
    return openRooms(state.rooms).map(room => ({ id: room.id, name: room.name, room }))
  const { roomIds = [], roomNames = [] } = find(state, groups.segmentId) ?? {}
  return roomIds.map((id, place) => {
    const room = roomOf(state, id)
    return { id, name: room?.name ?? roomNames[place] ?? '', room }
  })
}

/**
 * Rooms there were are open again, with who was in them, instead of those that are open. Who has not come is awaited there as well,
 * also in a room nobody has entered yet.
 */
function reopened(state: State, from: Groups, next: Running, before: readonly Place[]): Made[] {
  const again = roomSet.decide['reopen-rooms'](
    state,
    { type: 'reopen-rooms', roomIds: before.flatMap(({ room }) => room?.id ?? []), instead: true },
    { kind: 'facilitator', accountId: '', name: '' },
    0,
  )
  if (!again.ok) return []
  const awaited = before.flatMap(({ id: roomId }) =>
    awaitedIn(state, roomId, from).map(personId => ({ personId, roomId })),
  )
  const isAwaited = new Set(awaited.map(({ roomId }) => roomId))
  const empty = before.flatMap(({ id, name, room }, place): RoomSetEvent[] =>
    room || !isAwaited.has(id)
      ? []
      : [
          {
            type: 'room-added',
            room: { id, copyId: `${next.id}-${place}`, name, board: boardAt(next, place) },
          },
        ],
  )
  return [...again.events.filter(isRoomSetEvent), ...empty, { type: 'people-awaited', awaited }]
}

/** The board of a segment's room by its place, from 0. */
const boardAt = ({ board, boards }: Running, place: number): number =>
  boards?.[place % boards.length] ?? board

/** Those of the list who are not here and would have been in a room. */
function awaitedIn(state: State, roomId: string, from: Groups): string[] {
  const planned = 'segmentId' in from ? find(state, from.segmentId)?.groups : undefined
  const ids = new Set([
    ...state.expected.flatMap(person => (person.roomId === roomId ? [person.personId] : [])),
    ...((planned?.from === 'plan' ? planned.rooms.find(({ id }) => id === roomId)?.personIds : undefined) ??
      []),
  ])
  for (const { personId } of participantList(state)) if (personId !== null) ids.delete(personId)
  return [...ids]
}

const isRoomSetEvent = (event: { type: string }): event is RoomSetEvent => event.type.startsWith('room')

interface ToLayOut {
  room: { id: string; copyId: string; name: string }
  personIds: readonly string[]
  participantIds?: readonly string[]
}

function laidOut(state: State, next: Running, all: readonly ToLayOut[]): SegmentsEvent {
  const here = new Map(
    participantList(state).flatMap((one): [string, Participant][] =>
      one.personId === null ? [] : [[one.personId, one]],
    ),
  )
  const present = new Set(participantList(state).map(one => one.id))
  return {
    type: 'rooms-laid-out',
    segmentId: next.id,
    rooms: all.map(({ room, personIds, participantIds = [] }, place) => ({
      ...room,
      ...(boardAt(next, place) !== 0 && { board: boardAt(next, place) }),
      participantIds: [
        ...personIds.flatMap(personId => here.get(personId)?.id ?? []),
        ...participantIds.filter(participantId => present.has(participantId)),
      ],
    })),
    awaited: all.flatMap(({ room, personIds }) => personIds.map(personId => ({ personId, roomId: room.id }))),
  }
}
