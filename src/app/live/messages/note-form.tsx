import { Flex, Stack } from '@chakra-ui/react'
import { LONGEST_MESSAGE } from '~/core/live/messages/message'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import type { Send } from '../live-view'

interface NoteFormProps {
  sessionId: string
  roomId: string
  helpId: string | null
  send: Send
}

/** Where a note is written; one stands open at most. */
export const NOTE_FIELD = 'note-to-room'

/** A note to one room; it answers the room's call for help, when there is one. */
export function NoteForm({ sessionId, roomId, helpId, send }: NoteFormProps) {
  const [text, setText] = useKeptText(`note-${sessionId}-${roomId}`)
  const submit = async () => {
    if (await send({ type: 'note', roomId, text, helpId })) setText('')
  }
  return (
    <Stack
      as="form"
      gap="6px"
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <Field id={NOTE_FIELD} label={helpId ? 'Answer with a note' : 'Note to this room'}>
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
