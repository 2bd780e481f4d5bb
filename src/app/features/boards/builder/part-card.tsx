import { chakra, Flex, Stack } from '@chakra-ui/react'
import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react'
import { type Board, MOST_PROMPTS } from '~/core/boards/board'
import { headDraft } from '~/core/boards/building/draft'
import { duplicatePart, movePart, putPrompt, removePart, setPart } from '~/core/boards/building/edits'
import { MOST_LATER_PARTS } from '~/core/boards/part'
import { FIRST_PART, type PartShown } from '~/core/boards/parts'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import type { SettingsProps } from '../../../prompts/look'
import { AddPrompt } from './add-prompt'
import { DraggedPart, PartEnd } from './drag-prompts'
import { IconButton } from './icon-button'
import { freshId, newPrompt } from './new-pieces'
import { PartFields, Steps } from './part-fields'
import { PieceForm } from './piece-form'
import { PromptCard } from './prompt-card'
import { type Builder, HEAD } from './use-builder'

interface PartCardProps {
  builder: Builder
  part: PartShown
  /** Its place, from 1. */
  place: number
  /** All prompts before those of this part. */
  before: Board['prompts']
  open: string | null
  onOpen: (promptId: string | null) => void
}

/** A part of the board with what it asks. The first has the board's own instructions. */
export function PartCard({ builder, part, place, before, open, onOpen }: PartCardProps) {
  const { board, change, drawn } = builder
  const mayAdd = board.prompts.length < MOST_PROMPTS
  const later = board.parts?.find(({ id }) => id === part.id)
  const inOrder = [...before, ...part.prompts]
  const add = (kind: PromptKind) => {
    const id = freshId()
    change(now => putPrompt(now, newPrompt(kind, id, known(inOrder)), part.id))
    onOpen(id)
  }
  return (
    <DraggedPart id={part.id} label={`Part ${place}${part.title && `: ${part.title}`}`} isFirst={place === 1}>
      <Flex align="center" justify="space-between" mb="8px" minH="30px">
        <chakra.h2 fontSize="l">{place === 1 ? 'Part 1, with the round' : `Part ${place}`}</chakra.h2>
        {later && (
          <Flex>
            <IconButton
              label={`Move part ${place} up`}
              disabled={place === 2}
              onClick={() => change(now => movePart(now, part.id, -1))}
            >
              <ArrowUp size={16} />
            </IconButton>
            <IconButton
              label={`Move part ${place} down`}
              disabled={board.parts?.at(-1)?.id === part.id}
              onClick={() => change(now => movePart(now, part.id, 1))}
            >
              <ArrowDown size={16} />
            </IconButton>
            <IconButton
              label={`Duplicate part ${place}`}
              disabled={
                (board.parts?.length ?? 0) >= MOST_LATER_PARTS ||
                board.prompts.length + part.prompts.length > MOST_PROMPTS
              }
              onClick={() => change(now => duplicatePart(now, part.id, freshId))}
            >
              <Copy size={16} />
            </IconButton>
            <IconButton
              label={`Remove part ${place}`}
              onClick={() => change(now => removePart(now, part.id))}
            >
              <Trash2 size={16} />
            </IconButton>
          </Flex>
        )}
      </Flex>
      {later ? (
        <PartFields
          key={drawn[part.id] ?? 0}
          part={later}
          place={place}
          onChange={(next, field) => change(now => setPart(now, next), field)}
        />
      ) : (
        <PieceForm
          key={drawn[HEAD] ?? 0}
          label="Instructions of part 1"
          schema={headDraft.pick({ steps: true })}
          onChange={({ steps }) => change(now => ({ ...now, steps }), 'steps')}
        >
          {errors => <Steps steps={board.steps} errors={errors.steps} />}
        </PieceForm>
      )}
      <Stack as="ol" listStyleType="none" gap="6px" my="10px" aria-label={`Prompts of part ${place}`}>
        {part.prompts.map((prompt, index) => (
          <PromptCard
            key={prompt.id}
            prompt={prompt}
            number={before.length + index + 1}
            isLast={isLast(board, part, index)}
            mayAdd={mayAdd}
            drawn={drawn[prompt.id] ?? 0}
            isOpen={open === prompt.id}
            onOpen={onOpen}
            earlier={known(inOrder.slice(0, before.length + index))}
            change={change}
          />
        ))}
      </Stack>
      <PartEnd partId={part.id}>
        <AddPrompt partId={part.id} place={place} disabled={!mayAdd} onAdd={add} />
        {!mayAdd && (
          <chakra.span color="quiet" fontSize="s" ml="10px">
            A board asks at most {MOST_PROMPTS} things.
          </chakra.span>
        )}
      </PartEnd>
    </DraggedPart>
  )
}

/** Whether a prompt stands at the very end: in the last place of the last part. */
const isLast = ({ parts = [] }: Board, part: PartShown, index: number): boolean =>
  index === part.prompts.length - 1 && (parts.at(-1)?.id ?? FIRST_PART) === part.id

/** Prompts as those after them know them. */
const known = (prompts: Board['prompts']): SettingsProps<PromptKind>['earlier'] =>
  prompts.map(({ id, kind, text }, index) => ({ id, kind, text, place: index + 1 }))
