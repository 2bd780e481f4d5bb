import { Stack } from '@chakra-ui/react'
import { groupBy, isEqual } from 'lodash-es'
import { memo, useEffect, useMemo, useRef } from 'react'
import type { RoomWorkNow } from '~/contracts/live'
import { askedPrompts, partsOf } from '~/core/boards/parts'
import type { Reason, RoomNeed } from '~/core/live/needs/needs'
import { reasonWords } from '~/core/live/needs/words'
import { aloneRooms, type Mend } from '~/core/live/rooms/alone'
import { signalCounts } from '~/core/live/signals/counts'
import type { LiveView, Send } from '../../../live/live-view'
import { type RoomPart, roomParts } from '../../../live/rooms/room-parts'
import { useIsPhone } from '../../../ui/is-phone'
import { moveByArrows } from '../../../ui/list-keys'
import { ANSWERS, type Answer } from '../needs/answers'
import { Lane } from './lane'
import { DENSE_FROM, laneSize, whenWhole } from './lane-order'

export interface LanesProps {
  view: LiveView
  work: Readonly<Record<string, RoomWorkNow>>
  needs: readonly RoomNeed[]
  now: number
  /** The ids of the rooms, in their order. */
  order: readonly string[]
  /** Told when somebody reaches in among the rooms. */
  onReach: () => void
  /** A drawer stands open beside. */
  narrow: boolean
  pageMadeAt: number
  onOpen: (roomId: string) => void
  onAnswer: (roomId: string, answer: Answer) => void
  send: Send
}

const NOTHING: RoomPart = { people: [], call: undefined, visits: [], marks: [] }

/** A lane for each room. */
export const Lanes = memo(function Lanes({
  view,
  work,
  needs,
  now,
  order,
  narrow,
  onReach,
  ...rest
}: LanesProps) {
  const parts = useRoomParts(view)
  const onPhone = useIsPhone()
  const mends = useMends(view)
  const signalsOf = useSignals(view)
  const places = new Map(view.rooms.map((room, index) => [room.id, { room, index }]))
  const reasons = new Map(needs.map(need => [need.roomId, need.reasons]))
  const shown = order.flatMap(id => places.get(id) ?? [])
  return (
    <Stack
      as="ul"
      gap={view.rooms.length < DENSE_FROM ? '4px' : '2px'}
      listStyleType="none"
      aria-label="Rooms"
      onPointerMove={onReach}
      onKeyDown={event => {
        onReach()
        moveByArrows(event)
      }}
    >
      {shown.map(({ room, index }, place) => (
        <Lane
          key={room.id}
          room={room}
          index={index}
          size={laneSize(view.rooms.length, {
            needsSomebody: (reasons.get(room.id) ?? NO_REASONS).length > 0,
            inRound: view.clock !== null,
            onPhone,
          })}
          whole={whenWhole(view.rooms.length, place, onPhone)}
          signals={signalsOf(room.id)}
          reasons={reasonsInLane(reasons.get(room.id) ?? NO_REASONS, now)}
          answer={answerTo(reasons.get(room.id) ?? NO_REASONS)}
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

const NO_REASONS: readonly Reason[] = []

/** Reasons as they stand in a lane. That a room calls, and that one is alone, stands beside its name. */
const reasonsInLane = (reasons: readonly Reason[], now: number): string =>
  reasons
    .filter(({ kind }) => kind !== 'help' && kind !== 'alone')
    .map(reason => reasonWords(reason, now))
    .join(' · ')

const answerTo = (reasons: readonly Reason[]): Answer | null =>
  reasons.map(({ kind }) => ANSWERS[kind]).find(answer => answer !== null) ?? null

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
  return whole ? askedPrompts(whole, partsSaid[id], partsOpen).length : 0
}

/** The parts a room says it is done with, in words; nothing for a board of one part. */
function doneWords({ boards, partsSaid }: LiveView, { id, board = 0 }: LiveView['rooms'][number]): string {
  const whole = boards[board]
  const done = partsSaid[id]?.done ?? []
  if (!whole || done.length === 0) return ''
  const places = partsOf(whole).flatMap((part, place) => (done.includes(part.id) ? [place + 1] : []))
  return places.length === 1 ? `done with part ${places[0]}` : `done with parts ${places.join(', ')}`
}

/** What people of each room show; the same list for as long as it says the same. */
function useSignals({ signals, people }: LiveView): (roomId: string) => Counts {
  const before = useRef(new Map<string, Counts>())
  const now = useMemo(() => {
    const ids = groupBy(
      people.filter(({ id }) => id in signals),
      person => person.roomId,
    )
    return new Map(
      Object.entries(ids).map(([roomId, shown]) => [
        roomId,
        signalCounts(
          signals,
          shown.map(({ id }) => id),
        ),
      ]),
    )
  }, [signals, people])
  for (const [roomId, counts] of now) {
    const earlier = before.current.get(roomId)
    if (earlier && isEqual(earlier, counts)) now.set(roomId, earlier)
  }
  useEffect(() => {
    before.current = now
  })
  return roomId => now.get(roomId) ?? NO_SIGNALS
}

type Counts = ReturnType<typeof signalCounts>
const NO_SIGNALS: Counts = []

/** In a round, the moves that mend it where somebody is alone, by room. */
function useMends({ clock, rooms, people }: LiveView): ReadonlyMap<string, Mend[]> {
  const isOut = clock !== null
  return useMemo(() => {
    const inRooms = isOut ? people.filter(person => person.inRoom) : []
    return new Map(aloneRooms(rooms, inRooms).map(({ roomId, mends }) => [roomId, mends]))
  }, [isOut, rooms, people])
}
