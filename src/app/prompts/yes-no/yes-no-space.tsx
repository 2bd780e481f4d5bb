import { Box, chakra, Flex } from '@chakra-ui/react'
import type * as Y from 'yjs'
import { answerOf, type YesNo as Choice, readDecision, reasonOf } from '~/core/boards/prompts/yes-no/document'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import type { PromptSpaceProps } from '../prompt-space'
import { useShared, useSharedText } from '../use-shared'

const CHOICES: { value: Choice; word: string }[] = [
  { value: 'yes', word: 'Yes' },
  { value: 'no', word: 'No' },
]

/** What the group decides, and why. */
export function YesNoSpace({ prompt, connection, readOnly, full }: PromptSpaceProps<'yes-no'>) {
  const { doc } = connection
  const answer = answerOf(doc, prompt.id)
  const chosen = useShared(
    answer as unknown as Y.AbstractType<unknown>,
    () => readDecision(doc, prompt.id) ?? '',
  )
  const reason = useSharedText(reasonOf(doc, prompt.id))
  if (readOnly) {
    return (
      <Box bg="panel" borderWidth="1px" borderRadius="6px" p="10px">
        <b>{CHOICES.find(choice => choice.value === chosen)?.word ?? 'Not decided yet.'}</b>
        <chakra.p whiteSpace="pre-wrap">{reason.value}</chakra.p>
      </Box>
    )
  }
  return (
    <Box>
      <Flex role="group" aria-label={prompt.text} gap="8px" mb="8px">
        {CHOICES.map(({ value, word }) => (
          <Button
            key={value}
            kind={chosen === value ? 'main' : 'plain'}
            aria-pressed={chosen === value}
            minW="84px"
            minH="42px"
            onClick={() => (chosen === value ? answer.delete('answer') : answer.set('answer', value))}
          >
            {word}
          </Button>
        ))}
      </Flex>
      <Field label="Because" hideLabel>
        {parts => (
          <TextArea
            {...parts}
            {...reason}
            readOnly={full}
            placeholder="Because…"
            maxLength={2000}
            css={{ fieldSizing: 'content' }}
          />
        )}
      </Field>
    </Box>
  )
}
