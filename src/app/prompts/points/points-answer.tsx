import type { Answer } from '~/core/boards/prompts/kinds'
import { totalsOf } from '~/core/boards/prompts/points/points'
import { Spread } from '../person-answers'

/** What every card got, most first. */
export default function PointsAnswer({ answer }: { answer: Extract<Answer, { kind: 'points' }> }) {
  const totals = totalsOf(answer)
  return (
    <Spread
      counts={totals.map(({ count }) => count)}
      labels={totals.map(({ label }) => label)}
      keys={totals.map(({ id }) => id)}
      label="Points"
    />
  )
}
