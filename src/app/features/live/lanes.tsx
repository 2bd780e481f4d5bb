import { Stack } from '@chakra-ui/react'
import { memo, useEffect, useMemo, useRef } from 'react'
import type { RoomWorkNow } from '~/contracts/live'
import { openPromptsOf, partsOf } from '~/core/boards/parts'
import { aloneRooms, type Mend } from '~/core/live/rooms/alone'
import type { LiveView, Send } from '../../live/live-view'
import { type RoomPart, roomParts } from '../../live/rooms/room-parts'
import { moveByArrows } from '../../ui/list-keys'
import { Lane } from './lane'
import { type LaneOrder, orderedRooms } from './lane-order'

interface LanesProps {
  view: LiveView
  work: Readonly<Record<string, RoomWorkNow>>
  order: LaneOrder
  /** A drawer stands open beside. */
  narrow: boolean
  pageMadeAt: number
  onOpen: (roomId: string) => void
  send: Send
}

const NOTHING: RoomPart = { people: [], call: undefined, visits: [], marks: [] }

/** A lane for each room. */
export const Lanes = memo(function Lanes({ view, work, order, narrow, ...rest }: LanesProps) {
  const parts = useRoomParts(view)
  const mends = useMends(view)
  return (
    <Stack as="ul" gap="4px" listStyleType="none" aria-label="Rooms" onKeyDown={moveByArrows}>
      {orderedRooms(view, order).map(room => (
        <Lane
          key={room.id}
          room={room}
          index={view.rooms.indexOf(room)}
          rooms={view.rooms}
          hasList={view.door.hasList}
          {...(parts.get(room.id) ?? NOTHING)}
          clock={view.clock}
          rounds={view.rounds}
          lastVisitAt={view.lastVisit[room.id]}
          mends={mends.get(room.id)}
          prompts={openPrompts(view, room)}
          done={doneWords(view, room)}
          roles={view.roles}
          work={work[room.id]}
          narrow={narrow}
          {...rest}
        />
      ))}
    </Stack>
  )
})

/** The view by rooms; what did not change for a room stays the same object from one view to the next. */
function useRoomParts(view: LiveView): ReturnType<typeof roomParts> {
  const before = useRef<ReturnType<typeof roomParts>>(undefined)
  const parts = roomParts(view, before.current)
  useEffect(() => {
    before.current = parts
  })
  return parts
}

/** So many parts of its board a room can work on now. */
const openPrompts = (
  { boards, partsOpen, partsSaid }: LiveView,
  { id, board = 0 }: LiveView['rooms'][number],
): number => {
  const whole = boards[board]
  return whole ? openPromptsOf(whole, partsSaid[id], partsOpen) : 0
}

/** The parts a room says it is done with, in words; nothing for a board of one part. */
function doneWords({ boards, partsSaid }: LiveView, { id, board = 0 }: LiveView['rooms'][number]): string {
  const whole = boards[board]
  const done = partsSaid[id]?.done ?? []
  if (!whole || done.length === 0) return ''
  const places = partsOf(whole).flatMap((part, place) => (done.includes(part.id) ? [place + 1] : []))
  return places.length === 1 ? `done with part ${places[0]}` : `done with parts ${places.join(', ')}`
}

/** In a round, the moves that mend it where somebody is alone, by room. */
function useMends({ clock, rooms, people }: LiveView): ReadonlyMap<string, Mend[]> {
  const isOut = clock !== null
  return useMemo(() => {
    const inRooms = isOut ? people.filter(person => person.inRoom) : []
    return new Map(aloneRooms(rooms, inRooms).map(({ roomId, mends }) => [roomId, mends]))
  }, [isOut, rooms, people])
}
