import type { ReactNode } from 'react'
import { Button } from '../../../ui/button'

interface IconButtonProps {
  id?: string
  /** What it does, to be read out and shown at the pointer. */
  label: string
  disabled?: boolean
  onClick: () => void
  children: ReactNode
}

/** A small button that shows only a picture of what it does. */
export const IconButton = ({ id, label, disabled, onClick, children }: IconButtonProps) => (
  <Button
    id={id}
    kind="bare"
    size="small"
    px="6px"
    minW="30px"
    color="ink"
    aria-label={label}
    title={label}
    disabled={disabled}
    onClick={onClick}
  >
    {children}
  </Button>
)
