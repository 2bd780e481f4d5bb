import { chakra, Flex } from '@chakra-ui/react'
import { HELP_REASONS, type HelpReason } from '~/core/live/help/reasons'
import type { ParticipantView } from '~/core/live/views'
import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

interface HelpCalledProps {
  help: NonNullable<ParticipantView['help']>
  onSend: SendFromPlace
}

const SAYS: Record<HelpReason, string> = {
  stuck: 'We are stuck',
  question: 'A question',
  disagree: 'We disagree',
  technical: 'Something does not work',
}

/** Help has been called: who comes and when, and why it was called, if the room likes to say. */
export default function HelpCalled({ help: { reason, coming, at }, onSend }: HelpCalledProps) {
  const now = useServerNow(at, 10_000)
  const wait = coming ? coming.at - now : 0
  return (
    <>
      <chakra.p role="status" fontSize="s" flexBasis="100%" order="-1">
        {!coming && 'Help has been called. The facilitator can see it.'}
        {coming &&
          (wait > 10_000 ? `${coming.name} comes in ${roughLength(wait)}.` : `${coming.name} is on the way.`)}
      </chakra.p>
      <Flex role="group" aria-label="Why, if you like" flexBasis="100%" order="-1" gap="6px" wrap="wrap">
        {HELP_REASONS.map(each => (
          <Button
            key={each}
            size="small"
            aria-pressed={reason === each}
            kind={reason === each ? 'main' : 'plain'}
            onClick={() => onSend({ type: 'call-help', reason: each })}
          >
            {SAYS[each]}
          </Button>
        ))}
      </Flex>
    </>
  )
}
