import { type ReactNode, useSyncExternalStore } from 'react'
import type { DraftRooms } from './draft-rooms'

/**
 * The lanes, and in their place what the worker has found so far while it looks for better. Plain elements with classes of the
 * theme: forty rooms and two hundred names stand there in the frame after the answer. Nothing can be done with them yet.
 */
export function DraftLanes({ draft, children }: { draft: DraftRooms; children: ReactNode }) {
  const rooms = useSyncExternalStore(draft.subscribe, draft.now, () => null)
  return (
    <>
      {rooms && (
        <ul aria-label="Rooms that would be" aria-busy="true" className="draft-lanes" inert>
          {rooms.map((room, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a draft's rooms are told apart by nothing else, and come in one order.
            <li key={index} className="draft-lane">
              <b>{room.name}</b>
              {room.people.map(name => (
                <span key={name} className="lane-name">
                  {name}
                </span>
              ))}
            </li>
          ))}
        </ul>
      )}
      {/* Not `hidden`: forty lanes taken out of the page and put back would be laid out from nothing in one frame. */}
      <div className={rooms ? 'lanes-aside' : undefined} inert={rooms !== null}>
        {children}
      </div>
    </>
  )
}
