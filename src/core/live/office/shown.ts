import type { PeopleState } from '../door/people'
import type { Office, OfficeHere, OfficeState } from './office-facts'
import { paceOf } from './waits'

/** Office hours as facilitators see them: without those who have gone. Null of every other session. */
export function officeHere(state: OfficeState & PeopleState): Office | null {
  const { office: hours } = state
  if (!hours) return null
  const isHere = (id: string) => {
    const person = state.participants.get(id)
    return person !== undefined && !person.released
  }
  const { line, times } = hours
  if (
    line.every(each => isHere(each.participantId)) &&
    times.every(each => each.takenBy === null || isHere(each.takenBy))
  )
    return hours
  return {
    ...hours,
    line: line.filter(each => isHere(each.participantId)),
    times: times.map(time =>
      time.takenBy === null || isHere(time.takenBy) ? time : { ...time, takenBy: null, about: '' },
    ),
  }
}

/** As somebody sees them who comes: nothing of anybody else is in it but how many are ahead, and which times are taken. */
export function officeSeenBy(state: OfficeState & PeopleState, me: string): OfficeHere | null {
  const hours = officeHere(state)
  if (!hours) return null
  const ahead = hours.line.findIndex(({ participantId }) => participantId === me)
  return {
    place: ahead < 0 ? null : { about: hours.line[ahead]?.about ?? '', ahead },
    inLine: hours.line.length,
    times: hours.times.map(({ id, at, takenBy }) => ({
      id,
      at,
      state: takenBy === me ? 'mine' : takenBy === null ? 'free' : 'taken',
    })),
    lostTime: hours.lost[me] ?? null,
    pace: paceOf(hours),
  }
}
