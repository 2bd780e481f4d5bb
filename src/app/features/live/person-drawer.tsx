import { chakra, Stack } from '@chakra-ui/react'
import type { LiveView, Send } from '../../live/live-view'
import { NoteForm } from '../../live/messages/note-form'
import { Observations } from '../../live/observations/observations'
import { MutePerson } from '../../live/rights/muted'
import { Said } from './broadcasts/said'
import { Drawer } from './drawer'

interface PersonDrawerProps {
  sessionId: string
  person: LiveView['people'][number]
  view: LiveView
  timeZone: string
  onClose: () => void
  send: Send
}

/** One person: a note to them alone with what came of it, and what facilitators note down on them. */
export function PersonDrawer({ sessionId, person, view, timeZone, onClose, send }: PersonDrawerProps) {
  const notes = view.messages.filter(({ toId }) => toId === person.id).reverse()
  return (
    <Drawer label={`Person ${person.shownName}`} title={person.shownName} onClose={onClose}>
      <Stack gap="16px">
        {person.hasDevice && person.admitted ? (
          <NoteForm sessionId={sessionId} to={{ participantId: person.id }} send={send} />
        ) : (
          <chakra.p color="quiet">
            {person.admitted
              ? 'They have no device of their own: nothing written would reach them.'
              : 'They are not let in yet: nothing written would reach them.'}
          </chakra.p>
        )}
        {notes.length > 0 && (
          <Stack as="ul" listStyleType="none" gap="12px" aria-label="Notes">
            {notes.map(note => (
              <Said key={note.id} message={note} view={view} timeZone={timeZone} send={send} />
            ))}
          </Stack>
        )}
        {person.hasDevice && person.admitted && <MutePerson person={person} view={view} send={send} />}
        <Observations
          sessionId={sessionId}
          on={{ participantId: person.id }}
          view={view}
          timeZone={timeZone}
          send={send}
        />
      </Stack>
    </Drawer>
  )
}
