import { Box, chakra, Flex } from '@chakra-ui/react'
import { NOTHING_SAID, openLaterParts } from '~/core/boards/parts'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

/** The parts of boards after their first, over all rooms that work on them: opened and shut together. */
export function PartsOfAll({ view: { boards, rooms, partsSaid }, send }: { view: LiveView; send: Send }) {
  const later = boards.flatMap((board, place) => {
    const here = rooms.filter(room => (room.board ?? 0) === place)
    return here.length === 0
      ? []
      : (board.parts ?? []).map((part, index) => ({ board, here, part, number: index + 2 }))
  })
  if (later.length === 0) return null
  return (
    <Box as="ul" listStyleType="none" aria-label="Parts that open later" fontSize="s" mt="8px">
      {later.map(({ board, here, part, number }) => {
        const open = here.filter(({ id }) =>
          openLaterParts(board, partsSaid[id] ?? NOTHING_SAID).some(each => each.id === part.id),
        ).length
        const done = here.filter(({ id }) => partsSaid[id]?.done.includes(part.id)).length
        return (
          <Flex as="li" key={part.id} gap="8px" align="center" wrap="wrap" py="2px">
            <span>
              Part {number}: <b>{part.title}</b>
            </span>
            <chakra.span color="quiet">
              open in {open} of {here.length} rooms{done > 0 && `, done in ${done}`}
            </chakra.span>
            <Button
              size="small"
              disabled={open === here.length}
              onClick={() => send({ type: 'open-part', partId: part.id, roomId: null })}
            >
              Open in all
            </Button>
            <Button
              size="small"
              disabled={open === 0}
              onClick={() => send({ type: 'shut-part', partId: part.id, roomId: null })}
            >
              Shut in all
            </Button>
          </Flex>
        )
      })}
    </Box>
  )
}
