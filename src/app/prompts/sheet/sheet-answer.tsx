import { chakra } from '@chakra-ui/react'
import { useContext } from 'react'
import type { Answer } from '~/core/boards/prompts/kinds'
import type { Picture } from '~/core/boards/prompts/shown-picture'
import { FilesAt } from '../drawing/files-at'
import { withPictures } from './with-pictures'

/** A sheet to read, line by line, with its pictures in their places. */
export const SheetAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'sheet' }> }) =>
  withPictures(answer.text, answer.pictures ?? []).map((piece, index) =>
    typeof piece === 'string' ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: a text has no other places than those.
      <Text key={index} text={piece} />
    ) : (
      // biome-ignore lint/suspicious/noArrayIndexKey: likewise.
      <Shown key={index} picture={piece} />
    ),
  )

function Shown({ picture: { file, title, width, height } }: { picture: Picture }) {
  const filesAt = useContext(FilesAt)
  return (
    <chakra.img
      src={`${filesAt}/${file}/480.webp`}
      alt={title || 'Picture without a name'}
      width={width}
      height={height}
      loading="lazy"
      maxW="100%"
      h="auto"
      my="6px"
      borderRadius="4px"
    />
  )
}

const Text = ({ text }: { text: string }) => (
  <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
    {text.split(/^# (.*)$/m).map((stretch, index) => (
      // Every second stretch is a heading.
      // biome-ignore lint/suspicious/noArrayIndexKey: a text has no other places than those.
      <chakra.span key={index} fontWeight={index % 2 === 1 ? 'bold' : undefined}>
        <Marked text={stretch} />
      </chakra.span>
    ))}
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
