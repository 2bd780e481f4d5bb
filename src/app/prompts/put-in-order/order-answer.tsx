import { chakra } from '@chakra-ui/react'
import type { Answer } from '~/core/boards/prompts/kinds'

type Order = Extract<Answer, { kind: 'put-in-order' }>

/** Lines in the order the group gave them. */
const OrderAnswer = ({ answer: { lines, order } }: { answer: Order }) => (
  <chakra.ol ps="1.6em" listStyleType="decimal">
    {order.map(line => (
      <chakra.li key={line} overflowWrap="anywhere">
        {lines[line]}
      </chakra.li>
    ))}
  </chakra.ol>
)

export default OrderAnswer
