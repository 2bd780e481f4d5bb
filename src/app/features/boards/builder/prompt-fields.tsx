import { Box, chakra, Flex } from '@chakra-ui/react'
import { type ComponentType, Suspense, useEffect, useRef } from 'react'
import type { Prompt } from '~/core/boards/board'
import { promptDraft } from '~/core/boards/building/draft'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import type { SettingsProps } from '../../../prompts/look'
import { KINDS_SHOWN, lookOf } from '../../../prompts/looks'
import { Field, Select, TextArea } from '../../../ui/fields'
import { Message } from '../../../ui/layout'
import { type Errors, PieceForm } from './piece-form'

interface PromptFieldsProps {
  prompt: Prompt
  /** Its place on the board, from 1. */
  number: number
  earlier: SettingsProps<PromptKind>['earlier']
  onChange: (prompt: Prompt, field: string) => void
  /** Makes another kind of prompt of it. */
  onKind: (kind: PromptKind) => void
}

/** What a prompt asks, of what kind it is, and what is set about it. */
export function PromptFields({ prompt, number, earlier, onChange, onKind }: PromptFieldsProps) {
  const { id, kind, part } = prompt
  const asks = useRef<HTMLTextAreaElement>(null)
  // Opened to be written.
  useEffect(() => {
    if (asks.current?.value === '') asks.current.focus()
  }, [])
  const look = lookOf(kind)
  const Settings = look?.Settings as ComponentType<SettingsProps<PromptKind>> | null | undefined
  return (
    <PieceForm
      label={`Prompt ${number}`}
      schema={promptDraft}
      onChange={(value, field) =>
        onChange({ ...value, ...(part !== undefined && { part }) } as Prompt, `${id} ${field}`)
      }
    >
      {errors => (
        <>
          <input type="hidden" name="id" value={id} />
          <Flex gap="12px" wrap="wrap">
            <Box flex="1" minW="220px">
              <Field label="What it asks" errors={errors.text}>
                {parts => (
                  <TextArea
                    {...parts}
                    ref={asks}
                    rows={2}
                    minH="60px"
                    name="text"
                    defaultValue={prompt.text}
                  />
                )}
              </Field>
            </Box>
            <Box w="180px">
              <Field label="Kind" hint={look?.hint}>
                {parts => (
                  <Select
                    {...parts}
                    name="kind"
                    value={kind}
                    onInput={event => event.stopPropagation()}
                    onChange={event => onKind(event.target.value as PromptKind)}
                  >
                    {KINDS_SHOWN.map(value => (
                      <option key={value} value={value}>
                        {lookOf(value)?.name}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </Box>
          </Flex>
          {Settings && (
            <Box mt="8px">
              <Suspense fallback={<SettingsOnTheirWay settings={prompt.settings} />}>
                <Settings
                  key={kind}
                  name="settings"
                  settings={prompt.settings}
                  errors={settingErrors(errors)}
                  earlier={earlier}
                />
              </Suspense>
              {errors.settings && (
                <Box mt="8px">
                  <Message kind="problem">{errors.settings.join(' ')}</Message>
                </Box>
              )}
            </Box>
          )}
        </>
      )}
    </PieceForm>
  )
}

/** What is wrong with the settings, by their names. */
const settingErrors = (errors: Errors): Record<string, string[]> =>
  Object.fromEntries(
    Object.entries(errors)
      .filter(([field]) => field.startsWith('settings.'))
      .map(([field, found]) => [field.slice('settings.'.length).split(/[.[]/)[0] ?? '', found]),
  )

/** While its fields are fetched: what is written beside them meanwhile leaves the settings as they are. */
function SettingsOnTheirWay({ settings }: { settings: object }) {
  return (
    <>
      <chakra.p color="quiet">Opening…</chakra.p>
      {Object.entries(settings).map(([key, value]) => (
        <input key={key} type="hidden" name={`settings.${key}`} value={fieldValue(value)} />
      ))}
    </>
  )
}

/** A setting as a form has it: lists line by line, ticks as `on` or nothing. */
const fieldValue = (value: unknown): string => {
  if (Array.isArray(value)) return value.join('\n')
  if (typeof value === 'boolean') return value ? 'on' : ''
  return String(value ?? '')
}
