import { chakra, Stack } from '@chakra-ui/react'
import { type Answer, textsOf } from '~/core/boards/prompts/kinds'

/** An answer to read as its texts, one below the other. */
export const TextLines = ({ answer }: { answer: Answer }) => (
  <Stack as="ul" gap="4px" listStyleType="none">
    {textsOf(answer).map((text, place) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: two lines may say the same, and they are drawn anew with the answer.
      <chakra.li key={place} overflowWrap="anywhere" whiteSpace="pre-wrap">
        {text}
      </chakra.li>
    ))}
  </Stack>
)
