import { Box, chakra } from '@chakra-ui/react'
import { Users } from 'lucide-react'
import { Button } from '../../ui/button'
import { Empty } from '../../ui/layout'

/** The button, to which the focus goes back. */
export const ASK_FOR_GROUPS = 'ask-for-groups'

/** The way to groups of who is here; where there are no rooms it is what comes next. */
export function AskForGroups({ hasRooms, onAsk }: { hasRooms: boolean; onAsk: () => void }) {
  const button = (
    <Button
      id={ASK_FOR_GROUPS}
      kind={hasRooms ? 'plain' : 'main'}
      size={hasRooms ? 'small' : 'large'}
      onClick={onAsk}
    >
      <Users size={18} aria-hidden="true" /> {hasRooms ? 'Other groups' : 'Make groups'}
    </Button>
  )
  if (hasRooms) return <Box>{button}</Box>
  return (
    <Empty>
      <chakra.p mb="12px">
        There are no rooms yet. People join by the code; make groups of who is here.
      </chakra.p>
      {button}
    </Empty>
  )
}
