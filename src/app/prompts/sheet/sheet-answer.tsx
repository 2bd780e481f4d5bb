import { chakra } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

/** A sheet to read, line by line. */
export const SheetAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'sheet' }> }) => (
  <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
    {answer.text.split(/^# (.*)$/m).map((stretch, index) =>
      // Every second stretch is a heading.
      // biome-ignore lint/suspicious/noArrayIndexKey: a text has no other places than those.
      index % 2 === 1 ? <b key={index}>{stretch}</b> : <Marked key={index} text={stretch} />,
    )}
  </chakra.p>
)

/** A text with what the group has marked in it. */
const Marked = ({ text }: { text: string }) =>
  text.split(/==(.+?)==/).map((stretch, index) =>
    index % 2 === 1 ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: a text has no other places than those.
      <chakra.mark key={index} bg="liveWash" color="inherit">
        {stretch}
      </chakra.mark>
    ) : (
      stretch
    ),
  )
