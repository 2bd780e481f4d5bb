import { chakra } from '@chakra-ui/react'
import { chosenText, countsOf } from '~/core/boards/prompts/choice/choice'
import type { Answer } from '~/core/boards/prompts/kinds'
import { letterOf } from '~/core/boards/prompts/settings'
import { Reasons, Spread } from '../person-answers'

type Choice = Extract<Answer, { kind: 'choice' }>

export const lettered = (options: readonly string[]) =>
  options.map((option, place) => `${letterOf(place)} ${option}`)

/** What was chosen, and why: the group's one answer, or how many chose what. */
export default function ChoiceAnswer({ answer }: { answer: Choice }) {
  const { options, by, chosen } = answer
  if (by === 'group') {
    return (
      <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
        {chosen.map(one => chosenText(options, one)).join('')}
      </chakra.p>
    )
  }
  return (
    <>
      <Spread counts={countsOf(answer)} labels={lettered(options)} label="How many chose what" />
      <Reasons
        reasons={chosen.map(({ personId, answer: place, reason }) => ({
          key: personId ?? '',
          name: undefined,
          said: place === null ? '–' : letterOf(place),
          reason,
        }))}
      />
    </>
  )
}
