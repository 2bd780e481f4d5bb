import { sketch } from '~/core/boards/prompts/sketch/sketch'
import { Drawing } from '../drawing/drawing'
import { EMPTY_GROUND } from '../drawing/drawn'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'

/** An empty ground to draw on together. */
export default function SketchSpace(props: PromptSpaceProps<'sketch'>) {
  const { remarks, marks } = useAnswer(props.connection.doc, sketch, props.prompt)
  return <Drawing {...props} grounds={EMPTY_GROUND} remarks={remarks} marks={marks} />
}
