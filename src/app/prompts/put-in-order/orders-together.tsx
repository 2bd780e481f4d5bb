import { chakra } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'
import { rankTogether } from '~/core/boards/prompts/put-in-order/rank-together'

type Order = Extract<Answer, { kind: 'put-in-order' }>

/** The order of all rooms that put every line in order, and how far they agree. */
export default function OrdersTogether({ answers }: { answers: Order[] }) {
  const [first] = answers
  const whole = answers.filter(({ lines, order }) => order.length === lines.length)
  if (!first || whole.length < 2) return null
  const { ranked, agreement } = rankTogether(
    whole.map(({ order }) => order),
    first.lines.length,
  )
  return (
    <>
      <chakra.ol ps="1.6em" listStyleType="decimal">
        {ranked.map(({ line, points }) => (
          <chakra.li key={line} overflowWrap="anywhere">
            {first.lines[line]} <chakra.span color="quiet">{points} points</chakra.span>
          </chakra.li>
        ))}
      </chakra.ol>
      <chakra.p fontSize="s" color="quiet">
        {whole.length} rooms put all of them in order. In each, the last line counts 0 points, the one before
        it 1, and so on. Agreement {agreement.toFixed(2)} (0: none, 1: all the same).
      </chakra.p>
    </>
  )
}
