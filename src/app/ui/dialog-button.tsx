import { Dialog, Portal } from '@chakra-ui/react'
import { type ReactNode, useState } from 'react'
import { Button } from './button'

interface DialogButtonProps {
  id: string
  /** What the button says. */
  label: ReactNode
  title: string
  disabled?: boolean
  /** The dialog's body and foot; made anew each time it opens. */
  children: (close: () => void) => ReactNode
}

/** A quiet button that opens a dialog. */
export function DialogButton({ id, label, title, disabled, children }: DialogButtonProps) {
  const [open, setOpen] = useState(false)
  return (
    <Dialog.Root id={id} open={open} onOpenChange={change => setOpen(change.open)} lazyMount unmountOnExit>
      <Button size="small" kind="bare" disabled={disabled} onClick={() => setOpen(true)}>
        {label}
      </Button>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Title>{title}</Dialog.Title>
            {children(() => setOpen(false))}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
