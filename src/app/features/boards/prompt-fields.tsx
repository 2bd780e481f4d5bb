import { Box, chakra, Flex } from '@chakra-ui/react'
import type { FieldMetadata } from '@conform-to/react'
import { type ComponentType, type ReactNode, Suspense } from 'react'
import type { Prompt } from '~/core/boards/board'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import type { SettingsProps } from '../../prompts/look'
import { KINDS_SHOWN, lookOf } from '../../prompts/looks'
import { Field, Select, TextArea } from '../../ui/fields'
import { Message } from '../../ui/layout'

interface PromptFieldsProps {
  name: string
  /** The prompt as it is kept; none for a new one. */
  kept: Prompt | undefined
  /** What is wrong with its settings, by their names; under no name what is wrong with all of them. */
  errors: Record<string, string[]>
  prompt: {
    id: FieldMetadata<string>
    kind: FieldMetadata<PromptKind>
    text: FieldMetadata<string>
    part: FieldMetadata<string | undefined>
  }
  /** The parts after the first. */
  parts: readonly { id: string; name: string }[]
  index: number
  earlier: SettingsProps<PromptKind>['earlier']
  buttons: ReactNode
}

/** What a prompt asks, of what kind it is, in which part it stands, and what is set about it. */
export function PromptFields({
  name,
  prompt,
  parts: laterParts,
  kept,
  errors,
  index,
  earlier,
  buttons,
}: PromptFieldsProps) {
  const kind = (prompt.kind.value ?? prompt.kind.initialValue ?? 'cards') as PromptKind
  const look = lookOf(kind)
  const Settings = look?.Settings as ComponentType<SettingsProps<PromptKind>> | null | undefined
  const settings = { ...look?.settings, ...(kept?.kind === kind && kept.settings) } as Prompt['settings']
  return (
    <Box as="fieldset" borderWidth="1px" borderRadius="8px" p="12px" bg="panel">
      <chakra.legend srOnly>Prompt {index + 1}</chakra.legend>
      <input type="hidden" name={prompt.id.name} value={prompt.id.initialValue ?? ''} />
      <Flex gap="12px" wrap="wrap">
        <Box w="210px">
          <Field label={`Prompt ${index + 1} is`} hint={lookOf(kind)?.hint}>
            {parts => (
              <Select {...parts} name={prompt.kind.name} defaultValue={prompt.kind.initialValue}>
                {KINDS_SHOWN.map(value => (
                  <option key={value} value={value}>
                    {lookOf(value)?.name}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        <Box flex="1" minW="260px">
          <Field label="What it asks" errors={prompt.text.errors}>
            {parts => (
              <TextArea
                {...parts}
                rows={2}
                minH="60px"
                name={prompt.text.name}
                defaultValue={prompt.text.initialValue}
              />
            )}
          </Field>
        </Box>
      </Flex>
      {laterParts.length > 0 && (
        <Box mt="8px" maxW="320px">
          <Field label="It stands in part">
            {parts => (
              // Drawn anew with the parts there are: of one that was removed it falls back into the first.
              <Select
                {...parts}
                key={laterParts.map(({ id }) => id).join(' ')}
                name={prompt.part.name}
                defaultValue={prompt.part.value ?? prompt.part.initialValue ?? ''}
              >
                <option value="">1</option>
                {laterParts.map(({ id, name: called }) => (
                  <option key={id} value={id}>
                    {called}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
      )}
      {Settings && (
        <Box mt="8px">
          <Suspense fallback={<SettingsOnTheirWay name={`${name}.settings`} settings={settings} />}>
            <Settings
              key={kind}
              name={`${name}.settings`}
              settings={settings}
              errors={errors}
              earlier={earlier}
            />
          </Suspense>
          {errors[''] && (
            <Box mt="8px">
              <Message kind="problem">{errors[''].join(' ')}</Message>
            </Box>
          )}
        </Box>
      )}
      <Flex gap="8px" mt="8px" justify="flex-end">
        {buttons}
      </Flex>
    </Box>
  )
}

/** While its fields are fetched: a form that is sent meanwhile leaves the settings as they are. */
function SettingsOnTheirWay({ name, settings }: { name: string; settings: object }) {
  return (
    <>
      <chakra.p color="quiet">Opening…</chakra.p>
      {Object.entries(settings).map(([key, value]) => (
        <input key={key} type="hidden" name={`${name}.${key}`} value={fieldValue(value)} />
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

/** A prompt as those after it know it, by its place from 0. */
export const earlierPrompt = ({ id, kind, text }: PromptFieldsProps['prompt'], place: number) => ({
  id: id.initialValue ?? '',
  kind: (kind.value ?? kind.initialValue ?? 'cards') as PromptKind,
  text: text.value ?? text.initialValue ?? '',
  place: place + 1,
})
