import { chakra, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { LineRead } from '~/core/live/talk/line'
import { Button } from '../../ui/button'
import { Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { SayLine } from './say-line'
import { TalkLines } from './talk-lines'

interface TalkOfRoomProps {
  sessionId: string
  roomId: string
  accountId: string
  view: LiveView
  send: Send
}

/** The talk of a room for a facilitator: theirs to read while they visit, or what is said when all facilitators can. */
export function TalkOfRoom(props: TalkOfRoomProps) {
  const { roomId, view, send } = props
  const [open, setOpen] = useState(false)
  const said = view.linesSaid[roomId] ?? 0
  return (
    <chakra.details onToggle={event => setOpen(event.currentTarget.open)}>
      <chakra.summary cursor="pointer" fontWeight="600" fontSize="s">
        Talk of this room{said > 0 && `: ${said === 1 ? '1 line' : `${said} lines`}`}
      </chakra.summary>
      {open && (
        <Stack gap="8px" pt="8px">
          <Talk {...props} said={said} />
          <Tick
            checked={view.talkOpen}
            onChange={event => send({ type: 'open-talk', open: event.target.checked })}
          >
            Facilitators read what is said from now on in all rooms; people are told
          </Tick>
        </Stack>
      )}
    </chakra.details>
  )
}

function Talk({ sessionId, roomId, accountId, view, said, send }: TalkOfRoomProps & { said: number }) {
  const visits = view.visits.some(visit => visit.accountId === accountId && visit.roomId === roomId)
  const [lines, setLines] = useState<LineRead[] | null>(null)
  const [changed, setChanged] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: read again when more was said, and when more or less may be read.
  useEffect(() => {
    let isOver = false
    fetch(`/sessions/${sessionId}/talk/${roomId}`)
      .then(answer => answer.json())
      .then(
        ({ lines: read }: { lines: LineRead[] }) => !isOver && setLines(read),
        () => undefined,
      )
    return () => {
      isOver = true
    }
  }, [sessionId, roomId, said, visits, view.talkOpen, changed])
  if (!lines) return <chakra.p color="quiet">Fetching…</chakra.p>
  return (
    <>
      {!visits && (
        <chakra.p fontSize="s" color="quiet">
          {lines.length === 0
            ? 'What is said here is the room’s own: visit it to read along.'
            : 'Said when facilitators could read it. The rest is the room’s own: visit it to read along.'}
        </chakra.p>
      )}
      {(visits || lines.length > 0) && (
        <TalkLines
          lines={lines}
          moves={({ id, takenOff }) => (
            <Button
              size="small"
              kind="bare"
              ml="4px"
              onClick={async () => {
                await send({ type: 'take-line-off', roomId, lineId: id, off: !takenOff })
                setChanged(now => now + 1)
              }}
            >
              {takenOff ? 'Off the screens: give back' : 'Take off'}
            </Button>
          )}
        />
      )}
      {visits && (
        <SayLine keptAs={`talk-${sessionId}-${roomId}`} onSay={text => send({ type: 'say-line', text })} />
      )}
    </>
  )
}
