import { chakra } from '@chakra-ui/react'
import type { QuestionNow } from '~/core/live/questions/shown'

/** Each answer with who gave it, opened when somebody wants to know. */
export const WhoAnswered = ({ named }: Pick<QuestionNow, 'named'>) => (
  <details>
    <chakra.summary cursor="pointer" fontSize="s" color="live" fontWeight="600" minH="24px">
      Who answered what
    </chakra.summary>
    <chakra.ul
      listStyleType="none"
      maxH="220px"
      overflowY="auto"
      tabIndex={0}
      aria-label="Who answered what"
      css={{ columns: '220px' }}
    >
      {named.map(({ name, answer }, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two may have the same name.
        <chakra.li key={index} overflowWrap="anywhere" breakInside="avoid">
          {name}: <b>{answer}</b>
        </chakra.li>
      ))}
    </chakra.ul>
  </details>
)
