import type { LanePerson } from '~/core/live/door/shown'
import type { LiveView, Send } from '../live-view'
import { PersonMenu } from './person-menu'

/** Names with what can be done about each. */
export function People({ people, view, send }: { people: LanePerson[]; view: LiveView; send: Send }) {
  return (
    <>
      {people.map(person => (
        <PersonMenu
          key={person.id}
          person={person}
          rooms={view.rooms}
          isGuest={view.door.hasList && !person.onList}
          inRound={view.clock !== null}
          send={send}
        />
      ))}
    </>
  )
}
