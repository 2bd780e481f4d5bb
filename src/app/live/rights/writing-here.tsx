import { chakra, Flex } from '@chakra-ui/react'
import type { WritingHere } from '~/core/live/rights/writing'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

/** Who writes in this room where it is not everybody, and to whom the pen can go. */
export default function WritingInRoom({ view, send }: { view: ParticipantView; send: SendFromPlace }) {
  const { writing, whereabouts, me } = view
  if (!writing || whereabouts.where !== 'room') return null
  const others = whereabouts.members.filter(({ id }) => id !== writing.by?.id)
  const words = wordsOf(writing, me.id)
  if (words === '') return null
  return (
    <Flex as="section" aria-label="Who writes" role="status" gap="4px 12px" align="baseline" wrap="wrap">
      <chakra.span fontWeight={writing.mayWrite ? '600' : undefined}>{words}</chakra.span>
      {writing.mayPass && others.length > 0 && (
        <chakra.details>
          <chakra.summary cursor="pointer" color="live" minH="32px" display="list-item">
            Pass the pen
          </chakra.summary>
          <Flex gap="6px" wrap="wrap" pt="4px">
            {others.map(({ id, shownName }) => (
              <Button key={id} size="small" onClick={() => send({ type: 'pass-pen', toId: id })}>
                {id === me.id ? 'To me' : `To ${shownName}`}
              </Button>
            ))}
          </Flex>
        </chakra.details>
      )}
    </Flex>
  )
}

function wordsOf({ who, by, muted }: WritingHere, myId: string): string {
  if (muted) return 'The facilitator has paused your writing. You can read along.'
  if (who === 'nobody') return 'The facilitator writes for your room. You read along.'
  if (!by) return ''
  const isMe = by.id === myId
  if (who === 'turn') return isMe ? 'You have the pen.' : `${by.shownName} has the pen. You read along.`
  return isMe ? 'You write for your room.' : `${by.shownName} writes for your room. You read along.`
}
