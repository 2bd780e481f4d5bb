import { chakra, Stack } from '@chakra-ui/react'
import { MessagesSquare } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import type { SendFromPlace } from '../live-view'
import { SayLine } from './say-line'
import { TalkLines } from './talk-lines'

interface RoomTalkProps extends Pick<ParticipantView, 'talk' | 'talkOpen'> {
  /** Whoever is muted reads along. */
  canSay: boolean
  /** The room, by its board's copy. */
  copyId: string
  send: SendFromPlace
}

/** The talk of one's room: one line of it, and all of it when it is opened. */
export default function RoomTalk({ talk, talkOpen, canSay, copyId, send }: RoomTalkProps) {
  const [open, setOpen] = useState(false)
  /** So many lines were there when they were last looked at. */
  const [seen, setSeen] = useState(talk.length)
  const last = talk.at(-1)
  const fresh = open ? 0 : talk.length - seen
  useEffect(() => {
    if (open || talk.length < seen) setSeen(talk.length)
  }, [open, seen, talk.length])
  return (
    <Stack gap="8px" mb="8px">
      <chakra.button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        display="flex"
        gap="8px"
        alignItems="center"
        minH="32px"
        fontSize="s"
        textAlign="start"
        cursor="pointer"
      >
        <MessagesSquare size={18} aria-hidden="true" />
        <b>Talk</b>
        {fresh > 0 && <chakra.b color="ask">{fresh} new</chakra.b>}
        <chakra.span color="quiet" lineClamp={1} flex="1">
          {!open && last && !last.gone ? `${last.by}: ${last.text}` : open ? 'Close' : ''}
        </chakra.span>
      </chakra.button>
      {open && (
        <>
          <TalkLines lines={talk} />
          {canSay && <SayLine keptAs={`talk-${copyId}`} onSay={text => send({ type: 'say-line', text })} />}
          <chakra.p fontSize="s" color="quiet">
            {talkOpen
              ? 'Your room reads this, and facilitators read what is said from now on.'
              : 'Only your room reads this; a facilitator does while they visit.'}
          </chakra.p>
        </>
      )}
    </Stack>
  )
}
