import { useCallback, useEffect, useRef, useState } from 'react'
import type { LiveView, Send } from '../live-view'

export interface Placement {
  participantId: string
  roomId: string | null
  /** Where they must be still: said where a move is taken back. */
  from?: string | null
}

/** What was placed last: said, and how it is taken back. */
export interface Moved {
  text: string
  back: Placement[]
}

/** Puts people into rooms in one step, and keeps how to take the last step back. */
export function usePlacing(view: LiveView, send: Send) {
  const [moved, setMoved] = useState<Moved | null>(null)
  const latest = useRef(view)
  useEffect(() => {
    latest.current = view
  })
  const place = useCallback(
    async (placements: Placement[]) => {
      const { people, rooms, clock } = latest.current
      const before = placements.flatMap(({ participantId, roomId }) => {
        const person = people.find(({ id }) => id === participantId)
        return person && person.roomId !== roomId ? [person] : []
      })
      if (!(await send({ type: 'place-people', placements })) || before.length === 0) return
      const nameOf = (roomId: string | null) =>
        rooms.find(({ id }) => id === roomId)?.name ?? 'the whole group'
      const to = new Set(placements.map(({ roomId }) => nameOf(roomId)))
      const names = before.slice(0, 4).map(person => person.shownName)
      const more = before.length - names.length
      setMoved({
        text: `${names.join(', ')}${more > 0 ? ` and ${more} more` : ''} to ${[...to].join(' and ')}.`,
        back: before.map(({ id, roomId, inRoom }) => ({
          participantId: id,
          roomId: clock && !inRoom ? null : roomId,
          from: placements.find(({ participantId }) => participantId === id)?.roomId ?? null,
        })),
      })
    },
    [send],
  )
  return { place, moved }
}
