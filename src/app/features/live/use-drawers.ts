import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { LiveView, Send } from '../../live/live-view'
import { useVisiting } from '../../live/visits/use-visiting'
import { tellDoing } from '../../live-client/doing'
import { useKeptText } from '../../ui/use-kept'

/** What is looked at for a moment, over what stands open; closing it shows that again. */
export type Over = { kind: 'everybody' } | { kind: 'broadcasts' } | { kind: 'person'; id: string }

/** What stands open beside the lanes: a room or the making of groups, and for a moment something else over it. */
export function useDrawers(sessionId: string, view: LiveView, accountId: string, sendCommand: Send) {
  const { visiting, send } = useVisiting(view, accountId, sendCommand)
  const [openRoomId, setOpenRoomId] = useKeptText(`live-room-${sessionId}`)
  const [groups, setGroups] = useState<{ questionId: string | null } | null>(null)
  const [over, setOver] = useState<Over | null>(null)
  const isOut = view.clock !== null
  useEffect(() => {
    if (isOut) setGroups(null)
  }, [isOut])
  const making = groups !== null
  useEffect(() => {
    tellDoing({ roomId: openRoomId === '' ? null : openRoomId, makes: making })
  }, [openRoomId, making])
  /** A visit lasts as long as the room's drawer is open: whoever closes it listens no more. */
  const show = useCallback(
    (roomId: string) => {
      const visited = visiting()
      if (visited !== null && visited !== roomId) send({ type: 'leave-room' })
      setOpenRoomId(roomId)
      if (roomId !== '') setGroups(null)
      setOver(null)
    },
    [visiting, send, setOpenRoomId],
  )
  /** Whoever is in a room goes on to the next one: a visit goes along. */
  const goesAlong = useCallback(
    (roomId: string) => {
      if (visiting() === openRoomId) send({ type: 'visit', roomId })
      show(roomId)
    },
    [visiting, openRoomId, send, show],
  )
  const isPersonHere = over?.kind !== 'person' || view.people.some(({ id }) => id === over.id)
  const overNow = isPersonHere ? over : null
  const closedRoom = useClosedByOther(view.rooms, openRoomId)
  return {
    openRoomId,
    making,
    byQuestion: groups?.questionId ?? null,
    over: overNow,
    closedRoom,
    isOpen:
      making || overNow !== null || closedRoom !== null || view.rooms.some(({ id }) => id === openRoomId),
    show,
    goesAlong,
    send,
    ...useMemo(
      () => ({
        makeGroups: (questionId: string | null) => setGroups({ questionId }),
        stopMaking: () => setGroups(null),
        find: () => setOver({ kind: 'everybody' }),
        broadcasts: () => setOver(now => (now?.kind === 'broadcasts' ? null : { kind: 'broadcasts' })),
        writeTo: (id: string) => setOver({ kind: 'person', id }),
        back: () => setOver(null),
      }),
      [],
    ),
  }
}

export type DrawersNow = ReturnType<typeof useDrawers>

/** The name of a room that stood open until another closed it: the others of its round are still there. */
function useClosedByOther(rooms: LiveView['rooms'], openRoomId: string): string | null {
  const seen = useRef<{ name: string; beside: ReadonlySet<string> } | null>(null)
  const open = rooms.find(({ id }) => id === openRoomId)
  useEffect(() => {
    if (open) seen.current = { name: open.name, beside: new Set(rooms.map(({ id }) => id)) }
    else if (openRoomId === '') seen.current = null
  }, [open, openRoomId, rooms])
  const before = seen.current
  if (open || openRoomId === '' || !before) return null
  return rooms.some(({ id }) => before.beside.has(id)) ? before.name : null
}
