/** Who would be, or is, alone in a room; and the moves that mend it. Nobody works in a group of one. */

export interface Placed {
  id: string
  shownName: string
  roomId: string | null
}

/** A move that mends it: the lonely one goes to others, or somebody of a fuller room comes. */
export interface Mend {
  kind: 'merge' | 'bring'
  participantId: string
  shownName: string
  toRoomId: string
  /** The room they go to, or come from. */
  roomName: string
}

export interface Alone {
  roomId: string
  roomName: string
  person: Placed
  mends: Mend[]
}

/** A room from which somebody may be taken without leaving two or fewer. */
const SPARE_FROM = 4

/**
 * Every room with one person, in the order of the rooms. The lonely one is offered the room with the fewest others, and
 * somebody from the fullest room that can spare one. No move is offered where nobody else is. O(people + rooms).
 */
export function aloneRooms(
  rooms: readonly { id: string; name: string }[],
  people: readonly Placed[],
): Alone[] {
  const members = new Map(rooms.map(room => [room.id, [] as Placed[]]))
  for (const person of people) if (person.roomId !== null) members.get(person.roomId)?.push(person)
  const sizeOf = (room: { id: string }) => members.get(room.id)?.length ?? 0
  const bySize = rooms.filter(room => sizeOf(room) > 0).sort((one, other) => sizeOf(one) - sizeOf(other))
  const fullest = bySize.at(-1)
  return rooms.flatMap(room => {
    const [person, second] = members.get(room.id) ?? []
    if (!person || second) return []
    const mends: Mend[] = []
    const nearest = bySize.find(other => other.id !== room.id)
    if (nearest) {
      mends.push({
        kind: 'merge',
        participantId: person.id,
        shownName: person.shownName,
        toRoomId: nearest.id,
        roomName: nearest.name,
      })
    }
    const spare = fullest && sizeOf(fullest) >= SPARE_FROM ? members.get(fullest.id)?.at(-1) : undefined
    if (fullest && spare) {
      mends.push({
        kind: 'bring',
        participantId: spare.id,
        shownName: spare.shownName,
        toRoomId: room.id,
        roomName: fullest.name,
      })
    }
    return [{ roomId: room.id, roomName: room.name, person, mends }]
  })
}
