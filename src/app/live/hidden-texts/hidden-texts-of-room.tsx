import { chakra, Flex } from '@chakra-ui/react'
import type { Board } from '~/core/boards/board'
import { isHiddenText } from '~/core/boards/hidden-texts'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

interface HiddenTextsOfRoomProps {
  roomId: string
  board: Board
  view: LiveView
  names: Readonly<Record<string, string>>
  send: Send
}

/** The hidden texts of one room's board: who has opened which, and the others to be opened there or everywhere. */
export function HiddenTextsOfRoom({ roomId, board, view, names, send }: HiddenTextsOfRoomProps) {
  const hidden = board.prompts.filter(isHiddenText)
  if (hidden.length === 0) return null
  const opened = view.hiddenOpened[roomId] ?? {}
  const boardOf = (id: string) => view.rooms.find(room => room.id === id)?.board ?? 0
  const others = view.rooms.filter(({ id }) => id !== roomId && boardOf(id) === boardOf(roomId))
  const open = (promptId: string, where: string | null) =>
    send({ type: 'open-hidden-text', promptId, roomId: where })
  return (
    <chakra.ul listStyleType="none" aria-label="Hidden texts">
      {hidden.map(({ id, text, settings }) => (
        <Flex as="li" key={id} gap="8px" align="center" wrap="wrap" py="2px">
          <chakra.span fontWeight="600" overflowWrap="anywhere">
            {text}
          </chakra.span>
          <chakra.span color="quiet">
            {id in opened
              ? `open here, by ${(opened[id] && names[opened[id]]) || 'a facilitator'}`
              : settings.opens === 'group'
                ? 'not opened yet; the group may'
                : 'not opened yet'}
          </chakra.span>
          {!(id in opened) && (
            <Button size="small" onClick={() => open(id, roomId)}>
              Open here
            </Button>
          )}
          {others.some(room => !(id in (view.hiddenOpened[room.id] ?? {}))) && (
            <Button size="small" onClick={() => open(id, null)}>
              Open in all rooms
            </Button>
          )}
        </Flex>
      ))}
    </chakra.ul>
  )
}
