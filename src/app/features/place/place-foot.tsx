import { Box, chakra, Flex } from '@chakra-ui/react'
import { Bell, BellOff } from 'lucide-react'
import { Suspense } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { HelpButton } from '../../live/help/help-button'
import type { SendFromPlace } from '../../live/live-view'
import { whenMet } from '../../prompts/when-met'
import { Button } from '../../ui/button'
import { chime } from '../../ui/sound'

const HelpCalled = whenMet(() => import('../../live/help/help-called'))
const OwnSignals = whenMet(() => import('../../live/signals/own-signals'))

interface PlaceFootProps extends Pick<ParticipantView, 'help' | 'visits' | 'signal' | 'minutesSaid'> {
  /** In a room help can be called, and warnings come. */
  inRoom: boolean
  /** Whether warnings before the end are also heard and felt. */
  aloud: boolean
  onAloud: (on: boolean) => void
  onSend: SendFromPlace
}

/** Always at the bottom: signals, help; and who is visiting, so that nobody is startled. */
export function PlaceFoot({
  help,
  visits,
  signal,
  minutesSaid,
  inRoom,
  aloud,
  onAloud,
  onSend,
}: PlaceFootProps) {
  return (
    <Box as="footer" position="sticky" bottom="0" bg="paper" borderTopWidth="1px" px="16px" py="10px">
      <Flex justify="space-between" align="center" gap="8px" wrap="wrap">
        {inRoom && (
          <Button
            kind="bare"
            size="small"
            aria-pressed={aloud}
            aria-label="Sound and vibration with warnings"
            px="6px"
            onClick={() => {
              onAloud(!aloud)
              if (!aloud) chime('warning')
            }}
          >
            {aloud ? <Bell size={18} aria-hidden="true" /> : <BellOff size={18} aria-hidden="true" />}
            <chakra.span display={{ base: 'none', md: 'inline' }}>
              {aloud ? 'Sound on' : 'Sound off'}
            </chakra.span>
          </Button>
        )}
        <Suspense fallback={null}>
          <OwnSignals signal={signal} minutesSaid={minutesSaid} inRoom={inRoom} send={onSend} />
        </Suspense>
        {help ? (
          <Suspense fallback={null}>
            <HelpCalled help={help} onSend={onSend} />
          </Suspense>
        ) : (
          <chakra.p role="status" fontSize="s" flex="1">
            {visits.length > 0 && `${visits.join(' and ')} is in your room, listening.`}
          </chakra.p>
        )}
        {inRoom && <HelpButton help={help} onSend={onSend} />}
      </Flex>
    </Box>
  )
}
