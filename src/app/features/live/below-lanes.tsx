import { memo } from 'react'
import { CallRule } from '../../live/call/call-rule'
import type { LiveView, Send } from '../../live/live-view'
import { RoomSet } from '../../live/room-set/room-set'
import { GiveBoard } from './give-board'
import { GiveMaterial } from './give-material'
import { KeepGroups } from './keep-groups'

interface BelowLanesProps {
  sessionId: string
  view: LiveView
  send: Send
}

/** What is done with all rooms of a session, under their lanes. */
export const BelowLanes = memo(function BelowLanes({ sessionId, view, send }: BelowLanesProps) {
  const { rooms, closedRooms, door, session } = view
  if (rooms.length === 0 && closedRooms.length === 0) return null
  return (
    <RoomSet view={view} send={send}>
      {!rooms.some(({ used }) => used) && (
        <GiveBoard sessionId={sessionId} roomId={null} label="A board for all rooms" />
      )}
      <GiveMaterial sessionId={sessionId} view={view} send={send} />
      <CallRule view={view} send={send} />
      {door.hasList && !session.isRehearsal && <KeepGroups sessionId={sessionId} title={session.title} />}
    </RoomSet>
  )
})
