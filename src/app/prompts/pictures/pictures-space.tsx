import { Box, chakra } from '@chakra-ui/react'
import { pieceOfAdded, takePictureAway } from '~/core/boards/prompts/pictures/added'
import { pictures } from '~/core/boards/prompts/pictures/pictures'
import { Drawing } from '../drawing/drawing'
import type { GroundOf } from '../drawing/ground'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import { AddPicture } from './add-picture'
import { TakeAway } from './take-away'

/** Pictures beside each other, with what the group remarks and marks on them; where it may, it adds some of its own. */
export default function PicturesSpace(props: PromptSpaceProps<'pictures'>) {
  const { prompt, connection, readOnly, full, authors, myName } = props
  const { doc } = connection
  const { remarks, marks, pictures: shown, added = [] } = useAnswer(doc, pictures, prompt)
  const mayAdd = prompt.settings.add === true
  const authorOf = (on: number) => authors[`${prompt.id}/${pieceOfAdded(on)}`]
  const grounds: GroundOf[] = [
    ...shown,
    ...added.map(each => ({ ...each, title: `Picture by ${authorOf(each.on) ?? 'the group'}` })),
  ]
  const below = ({ on }: GroundOf) =>
    on === undefined || readOnly ? null : (
      <TakeAway
        author={authorOf(on)}
        myName={myName}
        onTakeAway={() => takePictureAway(doc, prompt.id, on)}
      />
    )
  if (grounds.length === 0 && !mayAdd) return <chakra.p color="quiet">No picture was chosen.</chakra.p>
  return (
    <Box>
      {grounds.length === 0 && <chakra.p color="quiet">No picture yet.</chakra.p>}
      {mayAdd && !readOnly && <AddPicture doc={doc} promptId={prompt.id} full={full} />}
      {grounds.length > 0 && (
        <Drawing {...props} grounds={grounds} remarks={remarks} marks={marks} below={below} />
      )}
    </Box>
  )
}
