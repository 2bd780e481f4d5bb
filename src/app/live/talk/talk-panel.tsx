import { chakra } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import type { SendFromPlace } from '../live-view'
import { SayLine } from './say-line'
import { TalkLines } from './talk-lines'

interface TalkPanelProps extends Pick<ParticipantView, 'talk' | 'talkOpen'> {
  /** Whoever is muted reads along. */
  canSay: boolean
  /** The room, by its board's copy. */
  copyId: string
  send: SendFromPlace
}

/** All that was said in one's room, and where one says something. */
export default function TalkPanel({ talk, talkOpen, canSay, copyId, send }: TalkPanelProps) {
  return (
    <>
      <TalkLines lines={talk} />
      {canSay && <SayLine keptAs={`talk-${copyId}`} onSay={text => send({ type: 'say-line', text })} />}
      <chakra.p fontSize="s" color="quiet">
        {talkOpen
          ? 'Your room reads this, and facilitators read what is said from now on.'
          : 'Only your room reads this; a facilitator does while they visit.'}
      </chakra.p>
    </>
  )
}
