import { chakra } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'
import { scale, spreadOf } from '~/core/boards/prompts/scale/scale'
import { Spread } from '../person-answers'
import { stepLabels } from './scale-answer'

type Scale = Extract<Answer, { kind: 'scale' }>

/** How many stand at each step over all rooms. */
export default function ScalesTogether({ answers }: { answers: Scale[] }) {
  const [first] = answers
  if (!first) return null
  const all: Scale = { ...first, placed: answers.flatMap(({ placed }) => placed) }
  return (
    <>
      <Spread
        counts={spreadOf(all)}
        labels={stepLabels(all.settings)}
        label="How many stand where, in all rooms"
      />
      <chakra.p fontSize="s" color="quiet">
        {scale.summary(all)}
      </chakra.p>
    </>
  )
}
