import { Box, chakra, Flex } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link, useRevalidator, useSearchParams } from 'react-router'
import { headDraft, unfinishedIn } from '~/core/boards/building/draft'
import { addPart, partOf, placePart, putPrompt } from '~/core/boards/building/edits'
import { boardJson } from '~/core/boards/files/board-json'
import { MOST_LATER_PARTS } from '~/core/boards/part'
import { partsOf } from '~/core/boards/parts'
import { Button, ButtonLink } from '../../../ui/button'
import { Field, Input } from '../../../ui/fields'
import { Message } from '../../../ui/layout'
import { DragPrompts } from './drag-prompts'
import { newPart } from './new-pieces'
import { PartCard } from './part-card'
import { PhonePreview } from './phone-preview'
import { PieceForm } from './piece-form'
import { saveAs } from './save-as'
import { type Builder, HEAD, type KeptBoard, useBuilder } from './use-builder'
import { VersionsFold } from './versions-fold'

/** So often is looked whether somebody else changed it, in milliseconds. */
const LOOK_EVERY_MS = 5_000

/** A board being made: what it asks at the left, and a phone beside it that shows what participants will see. */
export function BuilderPage({ board: told }: { board: KeptBoard & { id: string } }) {
  const builder = useBuilder(told.id, told)
  const { board, change, drawn } = builder
  const [open, setOpen] = useState<string | null>(null)
  useOthersChanges()
  useUndoKeys(builder)
  const parts = partsOf(board)
  const unfinished = unfinishedIn(board)
  return (
    <Flex gap="28px" align="flex-start" direction={{ base: 'column', lg: 'row' }}>
      <Box flex="1" minW="0" w="full">
        <chakra.h1 srOnly>{board.title}</chakra.h1>
        <Bar boardId={told.id} builder={builder} />
        <PieceForm
          key={drawn[HEAD] ?? 0}
          label="Title of the board"
          schema={headDraft.pick({ title: true })}
          onChange={({ title }) => change(now => ({ ...now, title }), 'title')}
        >
          {errors => (
            <Field label="Title" errors={errors.title}>
              {fieldParts => (
                <Input
                  {...fieldParts}
                  name="title"
                  defaultValue={board.title}
                  fontSize="l"
                  fontWeight="600"
                />
              )}
            </Field>
          )}
        </PieceForm>
        {unfinished.length > 0 && (
          <Box my="12px">
            <Message>
              Still missing:{' '}
              {unfinished.map(({ id, what }, index) => (
                <span key={`${id} ${what}`}>
                  {index > 0 && ' '}
                  {board.prompts.some(prompt => prompt.id === id) ? (
                    <chakra.a
                      href={`#open-${id}`}
                      onClick={() => setOpen(id)}
                      color="live"
                      textDecoration="underline"
                    >
                      {what}
                    </chakra.a>
                  ) : (
                    what
                  )}
                </span>
              ))}
            </Message>
          </Box>
        )}
        <Box mt="16px">
          <DragPrompts
            onDropPart={(id, at) => change(now => placePart(now, id, at))}
            onDrop={(id, to) =>
              change(now => {
                const prompt = now.prompts.find(each => each.id === id)
                if (!prompt) return now
                if ('endOf' in to) return putPrompt(now, prompt, to.endOf)
                const before = now.prompts.find(each => each.id === to.before)
                return before ? putPrompt(now, prompt, partOf(now, before), before.id) : now
              })
            }
          >
            {parts.map((part, index) => (
              <PartCard
                key={part.id}
                builder={builder}
                part={part}
                place={index + 1}
                before={parts.slice(0, index).flatMap(({ prompts }) => prompts)}
                open={open}
                onOpen={setOpen}
              />
            ))}
          </DragPrompts>
        </Box>
        <Flex gap="10px" align="center" wrap="wrap" borderTopWidth="2px" pt="12px" mb="24px">
          <Button
            disabled={parts.length > MOST_LATER_PARTS}
            onClick={() => change(now => addPart(now, newPart()))}
          >
            Add a part
          </Button>
          <chakra.span color="quiet" flex="1" minW="200px">
            What comes later: until it opens, groups see nothing of it.
          </chakra.span>
        </Flex>
        <VersionsFold boardId={told.id} onTake={builder.take} />
      </Box>
      <Box w={{ base: 'full', lg: '390px' }} flexShrink="0" position={{ lg: 'sticky' }} top="20px">
        <PhonePreview board={board} at={open} />
      </Box>
    </Flex>
  )
}

/** Where the page belongs, what is kept of it, undo and redo, and what can be done with the whole board. */
function Bar({ boardId, builder }: { boardId: string; builder: Builder }) {
  const { board, undo, redo, state } = builder
  const [search] = useSearchParams()
  const plan = search.get('plan')
  return (
    <Flex gap="6px" align="center" wrap="wrap" mb="12px">
      <Link to="/boards">Boards</Link>
      <Button
        size="small"
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        disabled={!undo}
        onClick={() => undo?.()}
        ml="8px"
      >
        <Undo2 size={16} />
      </Button>
      <Button size="small" aria-label="Redo" title="Redo (Ctrl Y)" disabled={!redo} onClick={() => redo?.()}>
        <Redo2 size={16} />
      </Button>
      <chakra.span
        role="status"
        color={typeof state === 'object' ? 'stop' : 'quiet'}
        fontSize="s"
        flex="1"
        minW="120px"
      >
        {typeof state === 'object' ? state.problem : STATES[state]}
      </chakra.span>
      <Button size="small" onClick={() => saveAs(board, 'json', boardJson(board))}>
        Save as file
      </Button>
      <Button
        size="small"
        onClick={() =>
          import('~/core/boards/files/board-markdown').then(({ boardMarkdown }) =>
            saveAs(board, 'md', boardMarkdown(board)),
          )
        }
      >
        As Markdown
      </Button>
      <ButtonLink size="small" to={`/boards/${boardId}/print`}>
        Print
      </ButtonLink>
      {plan !== null && (
        <ButtonLink size="small" kind="main" to={`/sessions/new?grouping=${encodeURIComponent(plan)}`}>
          Go on with the plan
        </ButtonLink>
      )}
    </Flex>
  )
}

const STATES = {
  'as it was': 'Every change is kept at once. Sessions that are open keep the board as it was.',
  keeping: 'Keeping…',
  kept: 'Kept.',
}

/** Looks while the page is seen whether somebody else changed the board. */
function useOthersChanges(): void {
  const { revalidate } = useRevalidator()
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') void revalidate()
    }, LOOK_EVERY_MS)
    return () => clearInterval(timer)
  }, [revalidate])
}

/** Ctrl (or Command) and Z undoes, with Shift or Y redoes; in a field the field's own undo works. */
function useUndoKeys({ undo, redo }: Builder): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || isTyping(event.target)) return
      const key = event.key.toLowerCase()
      const act = key === 'z' ? (event.shiftKey ? redo : undo) : key === 'y' ? redo : null
      if (!act) return
      event.preventDefault()
      act()
    }
    addEventListener('keydown', press)
    return () => removeEventListener('keydown', press)
  }, [undo, redo])
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
