import { countsOf } from '~/core/boards/prompts/choice/choice'
import type { Answer } from '~/core/boards/prompts/kinds'
import { Spread } from '../person-answers'
import { lettered } from './choice-answer'

type Choice = Extract<Answer, { kind: 'choice' }>

/** How many chose what over all rooms. */
export default function ChoicesTogether({ answers }: { answers: Choice[] }) {
  const [first] = answers
  if (!first) return null
  const counts = first.options.map((_, place) =>
    answers.reduce((sum, answer) => sum + (countsOf(answer)[place] ?? 0), 0),
  )
  return (
    <Spread
      counts={counts}
      labels={lettered(first.options)}
      label={first.by === 'group' ? 'How many rooms chose what' : 'How many people chose what'}
    />
  )
}
