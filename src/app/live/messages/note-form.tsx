import { Flex, Stack } from '@chakra-ui/react'
import { LONGEST_MESSAGE } from '~/core/live/messages/message'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import type { Send } from '../live-view'

interface NoteFormProps {
  sessionId: string
  to: { roomId: string; helpId: string | null } | { participantId: string }
  send: Send
}

/** Where a note is written; one stands open at most. */
export const NOTE_FIELD = 'note-to-room'

/** Under which a half-typed note to a room or a person is kept. */
export const noteKey = (sessionId: string, toId: string): string => `note-${sessionId}-${toId}`

/** A note to one room, which answers its call for help when there is one; or to one person, which nobody else reads. */
export function NoteForm({ sessionId, to, send }: NoteFormProps) {
  const isPerson = 'participantId' in to
  const [text, setText] = useKeptText(noteKey(sessionId, isPerson ? to.participantId : to.roomId))
  const submit = async () => {
    const sent = await send(
      isPerson ? { type: 'note-to-person', ...to, text } : { type: 'note', ...to, text },
    )
    if (sent) setText('')
  }
  const label = isPerson ? 'Note to them alone' : to.helpId ? 'Answer with a note' : 'Note to this room'
  return (
    <Stack
      as="form"
      gap="6px"
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <Field id={NOTE_FIELD} label={label}>
        {parts => (
          <TextArea
            {...parts}
            rows={2}
            minH="56px"
            maxLength={LONGEST_MESSAGE}
            value={text}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      <Flex>
        <Button type="submit" size="small" disabled={text.trim() === ''}>
          Send the note
        </Button>
      </Flex>
    </Stack>
  )
}
