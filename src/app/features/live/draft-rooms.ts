import { newRoom } from '~/core/live/rooms/room'
import type { LiveView } from '../../live/live-view'

/** Groups the worker has found so far and is still making better: drawn in the lanes, told to nobody. */
export interface DraftRooms {
  names: readonly string[]
  groups: readonly (readonly string[])[]
}

/** The view as it would be with these groups. O(people + rooms). */
export function withDraft(view: LiveView, { names, groups }: DraftRooms): LiveView {
  const roomOf = new Map(groups.flatMap((ids, index) => ids.map(id => [id, `draft-${index}`] as const)))
  return {
    ...view,
    rooms: groups.map((_, index) =>
      newRoom({ id: `draft-${index}`, copyId: `draft-${index}`, name: names[index] ?? '' }),
    ),
    people: view.people.map(person =>
      person.admitted ? { ...person, roomId: roomOf.get(person.id) ?? null } : person,
    ),
  }
}
