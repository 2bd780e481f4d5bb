import type { Answer } from '~/core/boards/prompts/kinds'
import { Drawn } from '../drawing/drawn'

/** The pictures with what was remarked and marked on them. */
const PicturesAnswer = ({ answer }: { answer: Extract<Answer, { kind: 'pictures' }> }) => (
  <Drawn
    grounds={[...answer.pictures, ...(answer.added ?? []).map(added => ({ ...added, title: '' }))]}
    remarks={answer.remarks}
    marks={answer.marks}
  />
)

export default PicturesAnswer
