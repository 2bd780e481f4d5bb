import { chakra } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

const WORDS = { yes: 'Yes', no: 'No' }

/** What was decided, and why. */
export const YesNoAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'yes-no' }> }) => (
  <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
    {[answer.answer && WORDS[answer.answer], answer.reason.trim()].filter(Boolean).join(': ')}
  </chakra.p>
)
