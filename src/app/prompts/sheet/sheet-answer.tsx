import { chakra } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

/** A sheet to read, line by line. */
export const SheetAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'sheet' }> }) => (
  <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
    {answer.text}
  </chakra.p>
)
