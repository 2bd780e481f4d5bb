import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form, Link, useSearchParams } from 'react-router'
import { boardForm } from '~/contracts/forms/boards'
import { type Board, MOST_PROMPTS, MOST_STEPS, type Prompt } from '~/core/boards/board'
import { MOST_LATER_PARTS } from '~/core/boards/part'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import { KINDS_SHOWN, lookOf } from '../../prompts/looks'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { Message, PageHead, Section } from '../../ui/layout'
import { PartFields } from './part-fields'
import { earlierPrompt, PromptFields } from './prompt-fields'
import { Starters } from './starters'

/** A new prompt of a kind, with the settings it begins with. */
const newPrompt = (kind: PromptKind, id: string) =>
  ({ id, kind, text: '', settings: lookOf(kind)?.settings ?? {} }) as Prompt

const newPromptId = () => crypto.randomUUID().slice(0, 13)

/** A new board starts with prompts of the kinds that are used most, ready to be filled in. */
const startingBoard: Board = {
  title: '',
  steps: ['', '', ''],
  prompts: (['cards', 'sheet', 'yes-no'] as const).map(kind => newPrompt(kind, kind)),
}

interface BoardEditorProps {
  /** As it is kept; none for a new board. */
  board?: Board
  /** What a new board begins with; none for an empty one. */
  from?: Board | null
  lastResult?: SubmissionResult
}

export function BoardEditor({ board, from, lastResult }: BoardEditorProps) {
  const begun = board ?? from
  const [search] = useSearchParams()
  const [form, fields] = useForm({
    lastResult,
    defaultValue: begun ? { ...begun, steps: threeSteps(begun.steps) } : startingBoard,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: boardForm }),
  })
  const steps = fields.steps.getFieldList()
  const prompts = fields.prompts.getFieldList()
  const parts = fields.parts.getFieldList()
  const partChoices = parts.map((part, index) => {
    const { id, title } = part.getFieldset()
    const name = title.value ?? title.initialValue
    return { id: id.initialValue ?? '', name: name ? `${index + 2}. ${name}` : `${index + 2}` }
  })
  return (
    <>
      <PageHead title={board?.title ?? 'Make a board'} under={<Link to="/boards">Boards</Link>} />
      {!board && <Starters />}
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
        <Box maxW="720px">
          {search.has('saved') && !form.dirty && (
            <Box mb="16px">
              <Message kind="good">Saved. Sessions that are already open keep the board as it was.</Message>
            </Box>
          )}
          <Box mb="24px">
            <Field label="Title" errors={fields.title.errors}>
              {parts => (
                <Input {...parts} name={fields.title.name} defaultValue={fields.title.initialValue} />
              )}
            </Field>
          </Box>
          <Section title="Instructions">
            <Stack gap="10px">
              <chakra.p color="quiet">
                Up to three steps, one thing each. They stay on the board of every room.
              </chakra.p>
              {steps.slice(0, MOST_STEPS).map((step, index) => (
                <Field key={step.key} label={`Step ${index + 1}`} errors={step.errors}>
                  {parts => <Input {...parts} name={step.name} defaultValue={step.initialValue} />}
                </Field>
              ))}
              {fields.steps.errors && <Message kind="problem">{fields.steps.errors.join(' ')}</Message>}
            </Stack>
          </Section>
          <Section title="Parts">
            <Stack gap="12px">
              <chakra.p color="quiet">
                {parts.length === 0
                  ? 'All of it is open with the round. Add a part for what comes later: until it opens, groups see nothing of it.'
                  : 'What stands above is part 1, and opens with the round.'}
              </chakra.p>
              {parts.map((part, index) => (
                <PartFields
                  key={part.key}
                  part={part.getFieldset()}
                  place={index + 2}
                  steps={
                    begun?.parts?.find(({ id }) => id === part.getFieldset().id.initialValue)?.steps ?? []
                  }
                  buttons={
                    <Button
                      type="submit"
                      size="small"
                      {...form.remove.getButtonProps({ name: fields.parts.name, index })}
                    >
                      Remove part {index + 2}
                    </Button>
                  }
                />
              ))}
              <Flex>
                <Button
                  disabled={parts.length >= MOST_LATER_PARTS}
                  onClick={() =>
                    form.insert({
                      name: fields.parts.name,
                      defaultValue: { id: newPromptId(), title: '', opens: 'hand' },
                    })
                  }
                >
                  Add a part
                </Button>
              </Flex>
            </Stack>
          </Section>
          <Section title="Prompts">
            <Stack gap="12px">
              {prompts.map((prompt, index) => (
                <PromptFields
                  key={prompt.key}
                  name={prompt.name}
                  prompt={prompt.getFieldset()}
                  kept={begun?.prompts.find(({ id }) => id === prompt.getFieldset().id.initialValue)}
                  errors={settingErrors(form.allErrors, `${prompt.name}.settings`)}
                  index={index}
                  parts={partChoices}
                  earlier={prompts
                    .slice(0, index)
                    .map((each, place) => earlierPrompt(each.getFieldset(), place))}
                  buttons={
                    <>
                      <Button
                        type="submit"
                        size="small"
                        disabled={index === 0}
                        {...form.reorder.getButtonProps({
                          name: fields.prompts.name,
                          from: index,
                          to: index - 1,
                        })}
                      >
                        Move up
                      </Button>
                      <Button
                        type="submit"
                        size="small"
                        disabled={prompts.length === 1}
                        {...form.remove.getButtonProps({ name: fields.prompts.name, index })}
                      >
                        Remove
                      </Button>
                    </>
                  }
                />
              ))}
              {fields.prompts.errors && <Message kind="problem">{fields.prompts.errors.join(' ')}</Message>}
              <Flex gap="8px" wrap="wrap" role="group" aria-label="Add a prompt">
                {KINDS_SHOWN.map(kind => (
                  <Button
                    key={kind}
                    title={lookOf(kind)?.hint}
                    disabled={prompts.length >= MOST_PROMPTS}
                    onClick={() =>
                      form.insert({
                        name: fields.prompts.name,
                        defaultValue: newPrompt(kind, newPromptId()),
                      })
                    }
                  >
                    Add {lookOf(kind)?.name.toLowerCase()}
                  </Button>
                ))}
              </Flex>
            </Stack>
          </Section>
          <Button type="submit" kind="main">
            Save the board
          </Button>
        </Box>
      </Form>
    </>
  )
}

/** What is wrong under a name, by what comes after it. */
const settingErrors = (all: Record<string, string[]>, name: string): Record<string, string[]> =>
  Object.fromEntries(
    Object.entries(all)
      .filter(([field]) => field === name || field.startsWith(`${name}.`))
      .map(([field, errors]) => [field.slice(name.length + 1).split(/[.[]/)[0] ?? '', errors]),
  )

const threeSteps = (steps: string[]) => [...steps, '', '', ''].slice(0, MOST_STEPS)
