import { Box, chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { type Answer, takeableIn } from '~/core/boards/prompts/kinds'
import { TakeOffButton } from './take-off-button'

interface TakeOffPiecesProps {
  promptId: string
  answer: Answer
  /** Who wrote which piece, by `prompt/piece`. */
  authors: Readonly<Record<string, string>>
  /** What it is opened by. */
  summary: string
  label: string
}

/** What stands under a prompt, piece by piece, with who wrote it, to be taken off the screens. */
export default function TakeOffPieces({ promptId, answer, authors, summary, label }: TakeOffPiecesProps) {
  const [open, setOpen] = useState(false)
  const pieces = takeableIn(answer)
  if (pieces.length === 0) return null
  return (
    <chakra.details fontSize="s" onToggle={event => setOpen(event.currentTarget.open)}>
      <chakra.summary cursor="pointer" color="quiet" minH="32px" display="list-item" py="4px">
        {summary}
      </chakra.summary>
      <Box as="ul" listStyleType="none" maxH="260px" overflowY="auto" aria-label={label}>
        {open &&
          pieces.map(({ pieceId, text }) => (
            <Flex
              as="li"
              key={`${pieceId}/${text}`}
              gap="8px"
              align="baseline"
              justify="space-between"
              borderTopWidth="1px"
              py="2px"
            >
              <Box minW="0">
                <chakra.p overflowWrap="anywhere" lineClamp={2}>
                  {text}
                </chakra.p>
                <chakra.p color="quiet">{authors[`${promptId}/${pieceId}`]}</chakra.p>
              </Box>
              <TakeOffButton promptId={promptId} pieceId={pieceId} text={text} />
            </Flex>
          ))}
      </Box>
    </chakra.details>
  )
}
