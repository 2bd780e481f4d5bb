import type { LanePerson } from '~/core/live/door/shown'
import type { Mark } from '~/core/live/marks'
import type { LiveView } from '../live-view'

/** What of a view belongs to one room. */
export interface RoomPart {
  people: LanePerson[]
  call: LiveView['help'][number] | undefined
  visits: LiveView['visits']
  marks: Mark[]
}

type Parts = ReadonlyMap<string, RoomPart>

/**
 * A view cut by rooms. A part whose members are all the same as before is the same object as before, so that a lane is
 * drawn again only when something of its own room changed. O(people + marks + rooms).
 */
export function roomParts(view: LiveView, before?: Parts): Parts {
  const parts = new Map<string, RoomPart>(
    view.rooms.map(room => [room.id, { people: [], call: undefined, visits: [], marks: [] }]),
  )
  for (const person of view.people) {
    if (person.roomId === null || !(view.clock ? person.inRoom : person.admitted)) continue
    parts.get(person.roomId)?.people.push(person)
  }
  for (const call of view.help) {
    const part = parts.get(call.roomId)
    if (part) part.call ??= call
  }
  for (const visit of view.visits) parts.get(visit.roomId)?.visits.push(visit)
  for (const mark of view.marks) parts.get(mark.roomId)?.marks.push(mark)
  for (const [roomId, part] of parts) {
    const earlier = before?.get(roomId)
    if (!earlier) continue
    part.people = sameList(earlier.people, part.people)
    part.visits = sameList(earlier.visits, part.visits)
    part.marks = sameList(earlier.marks, part.marks)
    if (sameContent(earlier.call, part.call)) part.call = earlier.call
  }
  return parts
}

function sameList<Member extends object>(before: Member[], after: Member[]): Member[] {
  const same =
    before.length === after.length && before.every((member, index) => sameContent(member, after[index]))
  return same ? before : after
}

/** Flat objects with equal fields; sections are read anew from JSON, so that identity says nothing. */
function sameContent(before: object | undefined, after: object | undefined): boolean {
  if (before === after) return true
  if (!before || !after) return false
  const names = Object.keys(before) as (keyof typeof before)[]
  // What one of them may have and the other has not counts as well.
  return names.length === Object.keys(after).length && names.every(name => before[name] === after[name])
}
