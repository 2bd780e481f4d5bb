import type { Answer } from '~/core/boards/prompts/kinds'
import { WordCloud } from './word-cloud'

/** The words of one room as a cloud. */
export default function WordsAnswer({ answer }: { answer: Extract<Answer, { kind: 'words' }> }) {
  return <WordCloud words={answer.words.map(({ text }) => text)} label="Words" />
}
