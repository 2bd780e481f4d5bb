import type { Answer } from '~/core/boards/prompts/kinds'
import { spreadOf } from '~/core/boards/prompts/scale/scale'
import { Reasons, Spread } from '../person-answers'

type Scale = Extract<Answer, { kind: 'scale' }>

/** The steps by number, the two ends with what they mean. */
export const stepLabels = ({ low, high, steps }: Scale['settings']) =>
  Array.from({ length: steps }, (_, step) =>
    [step + 1, step === 0 ? low : step === steps - 1 ? high : ''].filter(Boolean).join(' '),
  )

/** How many stand at each step, and why. */
const ScaleAnswer = ({ answer }: { answer: Scale }) => (
  <>
    <Spread counts={spreadOf(answer)} labels={stepLabels(answer.settings)} label="How many stand where" />
    <Reasons
      reasons={answer.placed.map(({ personId, value, reason }) => ({
        key: personId,
        name: undefined,
        said: String(value ?? '–'),
        reason,
      }))}
    />
  </>
)

export default ScaleAnswer
