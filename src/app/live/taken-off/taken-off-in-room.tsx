import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView } from '../live-view'

interface TakenOffInRoomProps {
  roomId: string
  view: LiveView
  names: Readonly<Record<string, string>>
  onGiveBack: (takenId: string) => void
}

/** What was taken off a room's board, for facilitators alone, with the move that gives it back. */
export function TakenOffInRoom({ roomId, view, names, onGiveBack }: TakenOffInRoomProps) {
  const taken = view.takenOff.filter(one => one.roomId === roomId)
  if (taken.length === 0) return null
  return (
    <chakra.details fontSize="s">
      <chakra.summary cursor="pointer" fontWeight="600">
        {taken.length === 1
          ? '1 piece taken off the screens'
          : `${taken.length} pieces taken off the screens`}
      </chakra.summary>
      <chakra.ul listStyleType="none" aria-label="Taken off the screens">
        {taken.map(({ id, text, authorId, by }) => (
          <Flex
            as="li"
            key={id}
            gap="8px"
            align="baseline"
            justify="space-between"
            py="4px"
            borderTopWidth="1px"
          >
            <chakra.span overflowWrap="anywhere" lineClamp={3}>
              {text}{' '}
              <chakra.span color="quiet">
                {[authorId && names[authorId], `taken off by ${by}`].filter(Boolean).join(', ')}
              </chakra.span>
            </chakra.span>
            <Button size="small" flexShrink="0" onClick={() => onGiveBack(id)}>
              Give back
            </Button>
          </Flex>
        ))}
      </chakra.ul>
    </chakra.details>
  )
}
