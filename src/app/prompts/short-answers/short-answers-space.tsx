import { Box, Flex, Stack } from '@chakra-ui/react'
import { fieldOf, LONGEST_FIELD } from '~/core/boards/prompts/short-answers/document'
import { type FieldAsked, fieldIn, problemIn } from '~/core/boards/prompts/short-answers/field'
import { shortAnswers } from '~/core/boards/prompts/short-answers/short-answers'
import { Field, Input, TextArea } from '../../ui/fields'
import type { PromptSpaceProps } from '../prompt-space'
import { TextLines } from '../text-lines'
import { useAnswer, useSharedText } from '../use-shared'

/** Fields with labels, for words or numbers. */
export default function ShortAnswersSpace({
  prompt,
  connection: { doc },
  readOnly,
  full,
}: PromptSpaceProps<'short-answers'>) {
  const answer = useAnswer(doc, shortAnswers, prompt)
  if (readOnly) return <TextLines texts={shortAnswers.texts(answer)} />
  return (
    <Stack gap="12px" maxW="560px">
      {prompt.settings.fields.map((line, place) => (
        <OneField key={line} asked={fieldIn(line)} text={fieldOf(doc, prompt.id, place)} full={full} />
      ))}
    </Stack>
  )
}

function OneField({
  asked,
  text,
  full,
}: {
  asked: FieldAsked
  text: ReturnType<typeof fieldOf>
  full: boolean
}) {
  const shared = useSharedText(text)
  const problem = problemIn(asked, shared.value)
  const { label, unit, least, most } = asked
  if (unit === null) {
    return (
      <Field label={label}>
        {parts => (
          <TextArea
            {...parts}
            {...shared}
            readOnly={full}
            rows={1}
            minH="42px"
            maxLength={LONGEST_FIELD}
            css={{ fieldSizing: 'content' }}
          />
        )}
      </Field>
    )
  }
  const limits = [least !== null && `from ${least}`, most !== null && `to ${most}`].filter(Boolean).join(' ')
  return (
    <Field label={label} hint={limits && `${limits}${unit && ` ${unit}`}`} errors={problem ? [problem] : []}>
      {parts => (
        <Flex gap="8px" align="center">
          <Box w="140px">
            <Input {...parts} {...shared} readOnly={full} inputMode="decimal" maxLength={40} minH="42px" />
          </Box>
          <span>{unit}</span>
        </Flex>
      )}
    </Field>
  )
}
