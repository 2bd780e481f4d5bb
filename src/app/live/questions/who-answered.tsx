import { chakra } from '@chakra-ui/react'
import { useState } from 'react'
import type { QuestionNow } from '~/core/live/questions/shown'

/** Each answer with who gave it, drawn when somebody wants to know: hundreds come within seconds. */
export function WhoAnswered({ named }: Pick<QuestionNow, 'named'>) {
  const [open, setOpen] = useState(false)
  return (
    <details onToggle={event => setOpen(event.currentTarget.open)}>
      <chakra.summary cursor="pointer" fontSize="s" color="live" fontWeight="600" minH="24px">
        Who answered what
      </chakra.summary>
      {open && (
        <chakra.ul
          listStyleType="none"
          maxH="220px"
          overflowY="auto"
          tabIndex={0}
          aria-label="Who answered what"
          css={{ columns: '220px', '& > li': { overflowWrap: 'anywhere', breakInside: 'avoid' } }}
        >
          {named.map(({ name, answer }, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two may have the same name.
            <li key={index}>
              {name}: <b>{answer}</b>
            </li>
          ))}
        </chakra.ul>
      )}
    </details>
  )
}
