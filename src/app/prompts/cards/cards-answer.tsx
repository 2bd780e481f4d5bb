import { chakra, Stack } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

/** Cards to read. */
export function CardsAnswer({ answer }: { answer: Extract<Answer, { kind: 'cards' }> }) {
  return (
    <Stack as="ul" gap="6px" listStyleType="none">
      {answer.cards
        .filter(card => card.text.trim())
        .map(card => (
          <chakra.li
            key={card.id}
            bg="paper"
            borderWidth="1px"
            borderRadius="6px"
            px="8px"
            py="5px"
            whiteSpace="pre-wrap"
            overflowWrap="anywhere"
          >
            {card.text}
          </chakra.li>
        ))}
    </Stack>
  )
}
