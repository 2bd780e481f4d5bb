import { chakra } from '@chakra-ui/react'
import { pictures } from '~/core/boards/prompts/pictures/pictures'
import { Drawing } from '../drawing/drawing'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'

/** Pictures beside each other, with what the group remarks and marks on them. */
export default function PicturesSpace(props: PromptSpaceProps<'pictures'>) {
  const { remarks, marks, pictures: grounds } = useAnswer(props.connection.doc, pictures, props.prompt)
  if (grounds.length === 0) return <chakra.p color="quiet">No picture was chosen.</chakra.p>
  return <Drawing {...props} grounds={grounds} remarks={remarks} marks={marks} />
}
