import { chakra, Stack } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/document'
import { answerTexts } from '~/core/review/report'

/** What stands under a prompt, to read. */
export function AnswerText({ answer }: { answer: Answer | undefined }) {
  const texts = answer ? answerTexts(answer) : []
  if (texts.length === 0) return <chakra.p color="quiet">Nothing written.</chakra.p>
  if (answer?.kind === 'cards') {
    const cards = answer.cards.filter(card => card.text.trim())
    return (
      <Stack as="ul" gap="6px" listStyleType="none">
        {cards.map(card => (
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
  return (
    <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
      {texts.join('\n')}
    </chakra.p>
  )
}
