import type { Answer } from '~/core/boards/prompts/kinds'
import { Drawn, EMPTY_GROUND } from '../drawing/drawn'

/** What was drawn, with the remarks on it. */
const SketchAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'sketch' }> }) => (
  <Drawn grounds={EMPTY_GROUND} remarks={answer.remarks} marks={answer.marks} />
)

export default SketchAnswer
