import { chakra, Stack } from '@chakra-ui/react'

/** Texts to read, one below the other. */
export const TextLines = ({ texts }: { texts: readonly string[] }) => (
  <Stack as="ul" gap="4px" listStyleType="none">
    {texts.map((text, place) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: two lines may say the same, and they are drawn anew with the answer.
      <chakra.li key={place} overflowWrap="anywhere" whiteSpace="pre-wrap">
        {text}
      </chakra.li>
    ))}
  </Stack>
)
