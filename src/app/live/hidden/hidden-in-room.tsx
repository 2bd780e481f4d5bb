import { chakra, Flex } from '@chakra-ui/react'
import type { RoomWorkNow } from '~/contracts/live'
import type { Board } from '~/core/boards/board'
import { groupMayOpen, isHidden, isHiddenText } from '~/core/boards/hidden'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

interface HiddenInRoomProps {
  roomId: string
  board: Board
  /** What is written there that nobody else sees, by prompt. */
  alone: NonNullable<RoomWorkNow['alone']>
  view: LiveView
  names: Readonly<Record<string, string>>
  send: Send
}

/** What is hidden on one room's board: who has opened which, and the others to be opened there or everywhere. */
export function HiddenInRoom({ roomId, board, alone, view, names, send }: HiddenInRoomProps) {
  const hidden = board.prompts.filter(isHidden)
  if (hidden.length === 0) return null
  const opened = view.hiddenOpened[roomId] ?? {}
  const boardOf = (id: string) => view.rooms.find(room => room.id === id)?.board ?? 0
  const others = view.rooms.filter(({ id }) => id !== roomId && boardOf(id) === boardOf(roomId))
  const open = (promptId: string, where: string | null) =>
    send({ type: 'open-hidden-text', promptId, roomId: where })
  return (
    <chakra.ul listStyleType="none" aria-label="Hidden">
      {hidden.map(prompt => {
        const { id, text } = prompt
        return (
          <Flex as="li" key={id} gap="8px" align="center" wrap="wrap" py="2px">
            <chakra.span fontWeight="600" overflowWrap="anywhere">
              {text}
            </chakra.span>
            <chakra.span color="quiet">
              {id in opened
                ? `open here, by ${(opened[id] && names[opened[id]]) || 'a facilitator'}`
                : notYet(prompt, alone[id])}
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
        )
      })}
    </chakra.ul>
  )
}

function notYet(prompt: Board['prompts'][number], written?: { cards: number; people: number }): string {
  if (isHiddenText(prompt)) return groupMayOpen(prompt) ? 'not opened yet; the group may' : 'not opened yet'
  if (!written) return 'each writes alone until you open them: nothing written yet'
  const cards = written.cards === 1 ? '1 card' : `${written.cards} cards`
  const people = written.people === 1 ? 'one person' : `${written.people} people`
  return `each writes alone until you open them: ${cards} by ${people}`
}
