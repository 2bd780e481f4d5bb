import { Box, chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import { KINDS, takeableIn } from '~/core/boards/prompts/kinds'
import { useAnswer } from '../../prompts/use-shared'
import { TakeOffButton } from './take-off-button'

interface TakeOffListProps {
  prompt: Prompt
  doc: Y.Doc
  /** Who wrote which piece first, by `prompt/piece`. */
  authors: Readonly<Record<string, string>>
}

/** What stands under a prompt, piece by piece, to be taken off the screens. */
export default function TakeOffList({ prompt, doc, authors }: TakeOffListProps) {
  const answer = useAnswer(doc, KINDS[prompt.kind] as never, prompt as never) as Parameters<
    typeof takeableIn
  >[0]
  const [open, setOpen] = useState(false)
  const pieces = takeableIn(answer)
  if (pieces.length === 0) return null
  return (
    <chakra.details fontSize="s" onToggle={event => setOpen(event.currentTarget.open)}>
      <chakra.summary cursor="pointer" color="quiet" minH="32px" display="list-item" py="4px">
        Take something off the screens
      </chakra.summary>
      <Box as="ul" listStyleType="none" maxH="260px" overflowY="auto" aria-label="What can be taken off">
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
              <chakra.span overflowWrap="anywhere" lineClamp={2}>
                {text} <chakra.span color="quiet">{authors[`${prompt.id}/${pieceId}`]}</chakra.span>
              </chakra.span>
              <TakeOffButton promptId={prompt.id} pieceId={pieceId} text={text} />
            </Flex>
          ))}
      </Box>
    </chakra.details>
  )
}
