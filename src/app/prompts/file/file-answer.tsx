import { chakra } from '@chakra-ui/react'
import { spotText } from '~/core/boards/prompts/file/document'
import type { Answer } from '~/core/boards/prompts/kinds'

/** What was remarked, each with its page or moment. */
const FileAnswer = ({ answer: { is, remarks } }: { answer: Extract<Answer, { kind: 'file' }> }) => (
  <chakra.ul listStyleType="none">
    {remarks.map(({ id, text, spot }) => (
      <chakra.li key={id} overflowWrap="anywhere" whiteSpace="pre-wrap">
        {spot !== null && <chakra.span color="quiet">{spotText(is, spot)} </chakra.span>}
        {text}
      </chakra.li>
    ))}
  </chakra.ul>
)

export default FileAnswer
