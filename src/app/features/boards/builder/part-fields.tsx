import { Box, Flex } from '@chakra-ui/react'
import { partDraft } from '~/core/boards/building/draft'
import type { Opening, Part } from '~/core/boards/part'
import { Field, Input, NumberField, Select, TextArea } from '../../../ui/fields'
import { PieceForm } from './piece-form'

const WAYS: Record<Opening, string> = {
  hand: 'when I open it',
  done: 'when the part before is done',
  after: 'by itself, so many minutes into the round',
  round: 'with the round',
}

interface PartFieldsProps {
  part: Part
  /** Its place on the board, the first part counted as 1. */
  place: number
  onChange: (part: Part, field: string) => void
}

/** A part after the first: its name and instructions, how long it should take, and how it opens. */
export function PartFields({ part, place, onChange }: PartFieldsProps) {
  return (
    <PieceForm
      label={`Part ${place}`}
      schema={partDraft}
      onChange={(value, field) => onChange(value, `${part.id} ${field}`)}
    >
      {errors => (
        <>
          <input type="hidden" name="id" value={part.id} />
          <Flex gap="8px 12px" wrap="wrap">
            <Box flex="1" minW="180px">
              <Field label={`Name of part ${place}`} errors={errors.title}>
                {parts => <Input {...parts} name="title" defaultValue={part.title} />}
              </Field>
            </Box>
            <Box w="90px">
              <NumberField
                label="Minutes"
                errors={errors.minutes}
                name="minutes"
                least={1}
                most={180}
                defaultValue={part.minutes}
              />
            </Box>
            <Box flex="1" minW="200px">
              <Field label="It opens" errors={errors.opens}>
                {parts => (
                  <Select {...parts} name="opens" defaultValue={part.opens}>
                    {Object.entries(WAYS).map(([value, words]) => (
                      <option key={value} value={value}>
                        {words}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </Box>
            {part.opens === 'after' && (
              <Box w="150px">
                <NumberField
                  label="Minutes into the round"
                  errors={errors.after}
                  name="after"
                  least={1}
                  most={180}
                  defaultValue={part.after}
                />
              </Box>
            )}
          </Flex>
          <Box mt="8px">
            <Steps steps={part.steps} errors={errors.steps} />
          </Box>
        </>
      )}
    </PieceForm>
  )
}

/** Written instructions, one a line. */
export const Steps = ({
  steps,
  errors,
}: {
  steps: readonly string[]
  errors: readonly string[] | undefined
}) => (
  <Field label="Instructions" hint="Up to three steps, one a line: more are told, not read." errors={errors}>
    {parts => <TextArea {...parts} rows={3} name="steps" defaultValue={steps.join('\n')} />}
  </Field>
)
