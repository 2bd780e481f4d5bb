import { Box, chakra, Flex } from '@chakra-ui/react'
import type { FieldMetadata } from '@conform-to/react'
import type { ReactNode } from 'react'
import type { Opening } from '~/core/boards/part'
import { Field, Input, NumberField, Select, TextArea } from '../../ui/fields'

const WAYS: Record<Opening, string> = {
  hand: 'when I open it',
  done: 'when the part before is done',
  after: 'by itself, so many minutes into the round',
  round: 'with the round',
}

interface PartFieldsProps {
  part: {
    id: FieldMetadata<string>
    title: FieldMetadata<string>
    steps: FieldMetadata<string | string[] | undefined>
    minutes: FieldMetadata<number | undefined>
    opens: FieldMetadata<Opening>
    after: FieldMetadata<number | undefined>
  }
  /** Its place on the board, the first part counted as 1. */
  place: number
  steps: readonly string[]
  buttons: ReactNode
}

/** A part after the first: its name and instructions, how long it should take, and how it opens. */
export function PartFields({ part, place, steps, buttons }: PartFieldsProps) {
  const opens = (part.opens.value ?? part.opens.initialValue ?? 'hand') as Opening
  return (
    <Box as="fieldset" borderWidth="1px" borderRadius="8px" p="12px" bg="panel">
      <chakra.legend srOnly>Part {place}</chakra.legend>
      <input type="hidden" name={part.id.name} value={part.id.initialValue ?? ''} />
      <Flex gap="12px" wrap="wrap">
        <Box flex="1" minW="200px">
          <Field label={`Name of part ${place}`} errors={part.title.errors}>
            {parts => <Input {...parts} name={part.title.name} defaultValue={part.title.initialValue} />}
          </Field>
        </Box>
        <Box w="120px">
          <NumberField
            label="Minutes"
            hint="A suggestion."
            errors={part.minutes.errors}
            name={part.minutes.name}
            least={1}
            most={180}
            defaultValue={part.minutes.initialValue}
          />
        </Box>
      </Flex>
      <Flex gap="12px" wrap="wrap" mt="8px">
        <Box flex="1" minW="240px">
          <Field label="It opens">
            {parts => (
              <Select {...parts} name={part.opens.name} defaultValue={part.opens.initialValue}>
                {Object.entries(WAYS).map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        {opens === 'after' && (
          <Box w="160px">
            <NumberField
              label="Minutes into the round"
              errors={part.after.errors}
              name={part.after.name}
              least={1}
              most={180}
              defaultValue={part.after.initialValue}
            />
          </Box>
        )}
      </Flex>
      <Box mt="8px">
        <Field label="Instructions" hint="Up to three steps, one a line." errors={part.steps.errors}>
          {parts => <TextArea {...parts} rows={3} name={part.steps.name} defaultValue={steps.join('\n')} />}
        </Field>
      </Box>
      <Flex gap="8px" mt="8px" justify="flex-end">
        {buttons}
      </Flex>
    </Box>
  )
}
