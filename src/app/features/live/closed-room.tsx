import { Stack } from '@chakra-ui/react'
import { noteKey } from '../../live/messages/note-form'
import { Field, TextArea } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import { Drawer } from './drawer'

interface ClosedRoomProps {
  sessionId: string
  roomId: string
  name: string
  onClose: () => void
}

/** In the place of a room that another has closed while one had it open: what became of it, and the note one had begun. */
export function ClosedRoom({ sessionId, roomId, name, onClose }: ClosedRoomProps) {
  const [note, setNote] = useKeptText(noteKey(sessionId, roomId))
  return (
    <Drawer
      label={`Room ${name}, closed`}
      title={name}
      onClose={() => {
        setNote('')
        onClose()
      }}
    >
      <Stack gap="12px">
        <p role="status">This room has just been closed. What its group wrote is kept for the review.</p>
        {note.trim() !== '' && (
          <Field label="What you had begun to write to it" hint="It was not sent, and goes with this drawer.">
            {parts => <TextArea {...parts} rows={4} readOnly value={note} />}
          </Field>
        )}
      </Stack>
    </Drawer>
  )
}
