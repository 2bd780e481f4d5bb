import { chakra, Menu, Portal } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import { KINDS_SHOWN, lookOf } from '../../../prompts/looks'
import { Button } from '../../../ui/button'

interface AddPromptProps {
  partId: string
  /** The part's place on the board, from 1. */
  place: number
  disabled: boolean
  onAdd: (kind: PromptKind) => void
}

/** Every kind of prompt, with what it is for. */
export const AddPrompt = ({ partId, place, disabled, onAdd }: AddPromptProps) => (
  <Menu.Root
    id={`add-to-${partId}`}
    lazyMount
    unmountOnExit
    onSelect={({ value }) => onAdd(value as PromptKind)}
  >
    <Menu.Trigger asChild>
      <Button size="small" disabled={disabled} aria-label={`Add a prompt to part ${place}`}>
        <Plus size={16} aria-hidden="true" /> Add a prompt
      </Button>
    </Menu.Trigger>
    <Portal>
      <Menu.Positioner>
        <Menu.Content maxH="min(70vh, var(--available-height, 70vh))" overflowY="auto">
          {KINDS_SHOWN.map(kind => (
            <Menu.Item key={kind} value={kind}>
              <chakra.span w="110px" fontWeight="600">
                {lookOf(kind)?.name}
              </chakra.span>
              <chakra.span color="quiet" fontSize="s">
                {lookOf(kind)?.hint}
              </chakra.span>
            </Menu.Item>
          ))}
        </Menu.Content>
      </Menu.Positioner>
    </Portal>
  </Menu.Root>
)
