import type { Answer } from '~/core/boards/prompts/kinds'
import { shortAnswers } from '~/core/boards/prompts/short-answers/short-answers'
import { TextLines } from '../text-lines'

/** The fields that were filled in. */
export default function ShortAnswersAnswer({
  answer,
}: {
  answer: Extract<Answer, { kind: 'short-answers' }>
}) {
  return <TextLines texts={shortAnswers.texts(answer)} />
}
