/** Who is in which room, as text for any other channel a class uses. */

interface RoomToTell {
  id: string
  name: string
  link: string
}

/**
 * One line for each room in which anybody is, with the link of its call on a line of its own where it has one; a line for those
 * who have no room. O(rooms x people).
 */
export function groupsText(
  title: string,
  rooms: readonly RoomToTell[],
  people: readonly { shownName: string; roomId: string | null; admitted: boolean }[],
): string {
  const here = people.filter(person => person.admitted)
  const namesIn = (roomId: string | null) =>
    here.filter(person => person.roomId === roomId).map(person => person.shownName)
  const lines = rooms.flatMap(({ id, name, link }) => {
    const names = namesIn(id)
    if (names.length === 0) return []
    return [`${name}: ${names.join(', ')}`, ...(link === '' ? [] : [link])]
  })
  const known = new Set(rooms.map(room => room.id))
  const without = here.filter(({ roomId }) => roomId === null || !known.has(roomId))
  const rest =
    without.length > 0 ? [`No room yet: ${without.map(person => person.shownName).join(', ')}`] : []
  return [title, ...lines, ...rest].join('\n')
}
