import { Box, chakra, Flex } from '@chakra-ui/react'
import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react'
import type { KeyboardEvent } from 'react'
import type { Prompt } from '~/core/boards/board'
import { duplicatePrompt, movePrompt, removePrompt, setPrompt } from '~/core/boards/building/edits'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import type { SettingsProps } from '../../../prompts/look'
import { lookOf } from '../../../prompts/looks'
import { DraggedPrompt } from './drag-prompts'
import { IconButton } from './icon-button'
import { freshId, newPrompt } from './new-pieces'
import { PromptFields } from './prompt-fields'
import type { Change } from './use-builder'

interface PromptCardProps {
  prompt: Prompt
  /** Its place on the board, from 1, and how many there are. */
  number: number
  isLast: boolean
  mayAdd: boolean
  /** How often it was changed from elsewhere. */
  drawn: number
  isOpen: boolean
  onOpen: (promptId: string | null) => void
  earlier: SettingsProps<PromptKind>['earlier']
  change: Change
}

/** A prompt in the builder: what it asks in a line, and opened with all its fields. */
export function PromptCard(props: PromptCardProps) {
  const { prompt, number, isLast, mayAdd, drawn, isOpen, onOpen, earlier, change } = props
  /** Over the edge of a part it is drawn anew: the focus goes along. */
  const move = (by: -1 | 1, from: string) => {
    change(board => movePrompt(board, prompt.id, by))
    requestAnimationFrame(() => {
      const there = document.getElementById(`${from}-${prompt.id}`)
      if (there && document.activeElement !== there) there.focus()
    })
  }
  const keys = (event: KeyboardEvent) => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
    event.preventDefault()
    move(event.key === 'ArrowUp' ? -1 : 1, 'open')
  }
  const duplicate = () => {
    const id = freshId()
    change(board => duplicatePrompt(board, prompt.id, id))
    onOpen(id)
  }
  return (
    <DraggedPrompt id={prompt.id}>
      <Flex align="center" gap="4px" ps="28px" pe="6px" minH="44px">
        <chakra.button
          type="button"
          id={`open-${prompt.id}`}
          aria-expanded={isOpen}
          onClick={() => onOpen(isOpen ? null : prompt.id)}
          onKeyDown={keys}
          flex="1"
          minW="0"
          minH="44px"
          textAlign="left"
          cursor="pointer"
          overflow="hidden"
          textOverflow="ellipsis"
          whiteSpace="nowrap"
          title="Alt and the arrow keys move it"
        >
          <chakra.b mr="4px">{number}</chakra.b>{' '}
          {prompt.text || <chakra.span color="quiet">asks nothing yet</chakra.span>}{' '}
          <chakra.span color="quiet" fontSize="s" ml="6px">
            {lookOf(prompt.kind)?.name ?? prompt.kind}
          </chakra.span>
        </chakra.button>
        <IconButton
          id={`up-${prompt.id}`}
          label={`Move prompt ${number} up`}
          disabled={number === 1}
          onClick={() => move(-1, 'up')}
        >
          <ArrowUp size={16} />
        </IconButton>
        <IconButton
          id={`down-${prompt.id}`}
          label={`Move prompt ${number} down`}
          disabled={isLast}
          onClick={() => move(1, 'down')}
        >
          <ArrowDown size={16} />
        </IconButton>
        <IconButton label={`Duplicate prompt ${number}`} disabled={!mayAdd} onClick={duplicate}>
          <Copy size={16} />
        </IconButton>
        <IconButton
          label={`Remove prompt ${number}`}
          onClick={() => change(board => removePrompt(board, prompt.id))}
        >
          <Trash2 size={16} />
        </IconButton>
      </Flex>
      {isOpen && (
        <Box px="12px" pb="12px" borderTopWidth="1px" pt="10px">
          <PromptFields
            key={drawn}
            prompt={prompt}
            number={number}
            earlier={earlier}
            onChange={(next, field) => change(board => setPrompt(board, next), field)}
            onKind={kind =>
              change(board => {
                const { settings } = newPrompt(kind, prompt.id, earlier)
                return setPrompt(board, { ...prompt, kind, settings } as Prompt)
              })
            }
          />
        </Box>
      )}
    </DraggedPrompt>
  )
}
