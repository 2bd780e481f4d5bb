import { chakra, Flex, Stack } from '@chakra-ui/react'
import { ClipboardList, DoorOpen, Plus } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { groupsText } from '~/core/live/rooms/groups-text'
import { LONGEST_ROOM_NAME } from '~/core/live/rooms/room'
import { Button } from '../../ui/button'
import { CopyText } from '../../ui/copy-text'
import { NamePrompt } from '../../ui/name-prompt'
import type { LiveView, Send } from '../live-view'
import { PartsOfAll } from '../parts/parts-of-all'
import { PartsOpen } from '../rooms/parts-open'
import { PlanWhatComes } from '../segments/order-now'

interface RoomSetProps {
  view: LiveView
  send: Send
  /** What else can be done with the rooms as they are. */
  children?: ReactNode
}

/** Below the lanes: one more room, the rooms as text, and those that were closed, to be opened again as they were. */
export function RoomSet({ view, send, children }: RoomSetProps) {
  return (
    <Stack gap="8px">
      <Flex gap="8px" wrap="wrap" align="flex-start">
        <AddRoom send={send} />
        {view.rooms.length > 0 && (
          <CopyText text={groupsText(view.session.title, view.rooms, view.people)} label="the groups as text">
            <ClipboardList size={16} aria-hidden="true" /> Copy the groups
          </CopyText>
        )}
        {view.rooms.length > 0 && children}
        <PartsOpen view={view} send={send} />
        <PlanWhatComes view={view} send={send} />
      </Flex>
      <PartsOfAll view={view} send={send} />
      <ClosedRooms view={view} send={send} />
    </Stack>
  )
}

function AddRoom({ send }: { send: Send }) {
  const [name, setName] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  if (name === null)
    return (
      <Button size="small" kind="bare" alignSelf="flex-start" onClick={() => setName('')}>
        <Plus size={16} aria-hidden="true" /> Add a room
      </Button>
    )
  const add = async () => {
    setProblem(null)
    if (await send({ type: 'add-room', name }, setProblem)) setName(null)
  }
  return (
    <NamePrompt
      label="Name of the new room"
      action="Add"
      most={LONGEST_ROOM_NAME}
      value={name}
      problem={problem}
      onType={setName}
      onDone={add}
      onCancel={() => setName(null)}
    />
  )
}

/** Rooms that were closed in the same moment belong together, the latest first. */
function ClosedRooms({ view, send }: { view: LiveView; send: Send }) {
  const moments = [...new Set(view.closedRooms.map(room => room.closedAt))].sort((one, other) => other - one)
  if (moments.length === 0) return null
  const isOpen = view.rooms.length > 0
  return (
    <Stack as="ul" listStyleType="none" gap="4px" aria-label="Closed rooms">
      {moments.map(closedAt => {
        const rooms = view.closedRooms.filter(room => room.closedAt === closedAt)
        const names = rooms.map(room => room.name).join(', ')
        const reopen = (instead: boolean) =>
          send({ type: 'reopen-rooms', roomIds: rooms.map(room => room.id), instead })
        return (
          <Flex as="li" key={closedAt} gap="8px" align="center" wrap="wrap" fontSize="s">
            <chakra.span color="quiet">Closed:</chakra.span>
            <span>{names}</span>
            <Button size="small" aria-label={`Open again: ${names}`} onClick={() => reopen(false)}>
              <DoorOpen size={16} aria-hidden="true" /> Open again
            </Button>
            {isOpen && (
              <Button
                size="small"
                kind="bare"
                aria-label={`Open again instead of the others: ${names}`}
                onClick={() => reopen(true)}
              >
                instead of the others
              </Button>
            )}
          </Flex>
        )
      })}
    </Stack>
  )
}
