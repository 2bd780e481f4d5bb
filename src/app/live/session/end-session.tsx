import { Dialog, Portal } from '@chakra-ui/react'
import { memo, useState } from 'react'
import { Button } from '../../ui/button'
import { BAR } from '../bar'
import type { Send } from '../live-view'

/** Ending is the one thing that can't be taken back, so it asks. */
export const EndSession = memo(function EndSession({ send, running }: { send: Send; running: boolean }) {
  const [asking, setAsking] = useState(false)
  return (
    <Dialog.Root
      id="end-session"
      role="alertdialog"
      open={asking}
      onOpenChange={({ open }) => setAsking(open)}
      lazyMount
      unmountOnExit
    >
      <Button kind="stop" {...BAR} onClick={() => setAsking(true)}>
        End
      </Button>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Title>End the session?</Dialog.Title>
            <Dialog.Body>
              {running ? 'People are still in rooms and are brought back at once, without grace. ' : ''}
              Boards are closed and kept for the review. A session that has ended can't be opened again.
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={() => setAsking(false)}>Go on with the session</Button>
              <Button
                kind="stop"
                onClick={() => {
                  setAsking(false)
                  send({ type: 'end' })
                }}
              >
                End the session
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
})
