import { Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { TakenOffHere } from '~/core/live/taken-off/taken'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'

/** What of one's own, or of what the room wrote together, is off the board: until one puts it away. */
export default function TakenOffNotice({ takenOff }: { takenOff: readonly TakenOffHere[] }) {
  const [putAway, setPutAway] = useState<ReadonlySet<string>>(new Set())
  const shown = takenOff.filter(({ id }) => !putAway.has(id))
  if (shown.length === 0) return null
  return (
    <Message>
      <Flex direction="column" gap="8px" align="flex-start">
        {shown.map(({ id, text, by }) => (
          <span key={id}>
            {text === null
              ? `${by} has taken something off this board.`
              : `${by} has taken off this board what you wrote: “${text.length > 120 ? `${text.slice(0, 120)}…` : text}”. Nobody in the room sees it any more; facilitators can give it back.`}
          </span>
        ))}
        <Button size="small" onClick={() => setPutAway(new Set(takenOff.map(({ id }) => id)))}>
          Put away
        </Button>
      </Flex>
    </Message>
  )
}
