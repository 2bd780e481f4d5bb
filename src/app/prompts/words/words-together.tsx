import type { Answer } from '~/core/boards/prompts/kinds'
import { WordCloud } from './word-cloud'

/** The words of all rooms as one cloud. */
export default function WordsTogether({ answers }: { answers: Extract<Answer, { kind: 'words' }>[] }) {
  return (
    <WordCloud
      words={answers.flatMap(({ words }) => words.map(({ text }) => text))}
      label="Words of all rooms"
    />
  )
}
