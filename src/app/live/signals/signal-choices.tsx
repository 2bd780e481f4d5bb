import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { SIGNALS } from '~/core/live/signals/signal'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'
import { SIGNAL_LOOK } from './signal-look'

interface SignalChoicesProps extends Pick<ParticipantView, 'signal' | 'minutesSaid'> {
  /** In a room in a round: then the room can say how much time it needs. */
  inRoom: boolean
  onChosen: () => void
  send: SendFromPlace
}

/** Lengths a room can ask for with one press, in minutes. */
const MINUTES = [2, 5, 10]

/** What one shows the facilitator without a word, and what the room says of the time. */
export default function SignalChoices({ signal, minutesSaid, inRoom, onChosen, send }: SignalChoicesProps) {
  const sayMinutes = (minutes: number) =>
    send({ type: 'say-minutes', minutes: minutesSaid === minutes ? null : minutes })
  return (
    <Stack order="-1" flexBasis="100%" gap="8px" pb="4px">
      <Flex gap="6px" wrap="wrap" role="group" aria-label="Only the facilitators see it">
        {SIGNALS.map(each => {
          const { icon: Each, says } = SIGNAL_LOOK[each]
          return (
            <Button
              key={each}
              aria-pressed={signal === each}
              kind={signal === each ? 'main' : 'plain'}
              onClick={() => {
                send({ type: 'set-signal', signal: signal === each ? null : each })
                onChosen()
              }}
            >
              <Each size={18} aria-hidden="true" /> {says}
            </Button>
          )
        })}
      </Flex>
      {inRoom && (
        <Flex gap="6px" wrap="wrap" align="center" role="group" aria-label="For the whole room">
          <chakra.span fontSize="s" color="quiet">
            For the whole room:
          </chakra.span>
          <Button size="small" aria-pressed={minutesSaid === 0} onClick={() => sayMinutes(0)}>
            {minutesSaid === 0 && '✓ '}We are done
          </Button>
          {MINUTES.map(minutes => (
            <Button
              key={minutes}
              size="small"
              aria-pressed={minutesSaid === minutes}
              onClick={() => sayMinutes(minutes)}
            >
              {minutesSaid === minutes && '✓ '}
              {minutes} min more
            </Button>
          ))}
        </Flex>
      )}
      <Box fontSize="s" color="quiet">
        Only the facilitators see what you show. Press again to take it back.
      </Box>
    </Stack>
  )
}
