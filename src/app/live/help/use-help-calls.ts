import { useEffect, useRef } from 'react'
import { isTheirs } from '~/core/live/duties/duty'
import { chime } from '../../ui/sound'
import { useSwitch } from '../../ui/use-kept'
import type { LiveView } from '../live-view'
import { laneButtonId } from '../rooms/lane-button'

export interface HelpCalls {
  /** Rooms that call and that no other facilitator has taken, as far as they are one's own; the longest waiting first. */
  waiting: { roomId: string; roomName: string }[]
  /** Opens the room that has waited longest and brings its lane into sight. */
  go: () => void
  sound: boolean
  setSound: (on: boolean) => void
}

/** Help calls wherever their rooms are: counted in the page's title, said by a sound, and one move away. */
export function useHelpCalls(view: LiveView, accountId: string, open: (roomId: string) => void): HelpCalls {
  const [sound, setSound] = useSwitch('help-sound', true)
  const waiting = view.help
    .filter(({ taken, roomId }) =>
      taken === null ? isTheirs(view, accountId, roomId) : taken.accountId === accountId,
    )
    .sort((one, other) => one.at - other.at)
    .map(call => ({
      roomId: call.roomId,
      roomName: view.rooms.find(room => room.id === call.roomId)?.name ?? '',
    }))
  useTitleCount(waiting.length)
  const heard = useRef(new Set(view.help.map(call => call.id)))
  useEffect(() => {
    const fresh = view.help.filter(
      call => !heard.current.has(call.id) && isTheirs(view, accountId, call.roomId),
    )
    for (const call of fresh) heard.current.add(call.id)
    if (fresh.length > 0 && sound) chime('call')
  }, [view, accountId, sound])
  const go = () => {
    const [first] = waiting
    if (!first) return
    open(first.roomId)
    document.getElementById(laneButtonId(first.roomId))?.scrollIntoView({ block: 'nearest' })
  }
  return { waiting, go, sound, setSound }
}

/** How many rooms call, before the title: seen on the browser's tab while another page is in front. */
function useTitleCount(count: number): void {
  useEffect(() => {
    const plain = document.title.replace(/^\(\d+\) /, '')
    document.title = count > 0 ? `(${count}) ${plain}` : plain
  }, [count])
}
