import { Box, chakra } from '@chakra-ui/react'
import type { Board } from '~/core/boards/board'
import { FIRST_PART, NOTHING_SAID, openLaterParts } from '~/core/boards/parts'
import { Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

interface PartsOfRoomProps {
  roomId: string
  board: Board
  view: LiveView
  send: Send
}

/** The parts of one room's board: which are open there, and which its people say are done. */
export function PartsOfRoom({ roomId, board, view: { partsSaid }, send }: PartsOfRoomProps) {
  const { parts = [] } = board
  if (parts.length === 0) return null
  const said = partsSaid[roomId] ?? NOTHING_SAID
  const open = openLaterParts(board, said)
  const doneMark = (id: string) => said.done.includes(id) && <chakra.span color="live"> done</chakra.span>
  return (
    <Box as="ul" listStyleType="none" aria-label="Parts of the board">
      <li>Part 1 is open{doneMark(FIRST_PART)}</li>
      {parts.map((part, index) => (
        <li key={part.id}>
          <Tick
            checked={open.includes(part)}
            onChange={event =>
              send({ type: event.target.checked ? 'open-part' : 'shut-part', partId: part.id, roomId })
            }
          >
            Part {index + 2}: {part.title}
            {doneMark(part.id)}
          </Tick>
        </li>
      ))}
    </Box>
  )
}
