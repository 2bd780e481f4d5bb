import { Box, chakra, Flex } from '@chakra-ui/react'
import { Bell, BellOff } from 'lucide-react'
import type { ParticipantView } from '~/core/live/views'
import { HelpButton } from '../../live/help/help-button'
import type { SendFromPlace } from '../../live/live-view'
import { Button } from '../../ui/button'
import { chime } from '../../ui/sound'

interface PlaceFootProps {
  help: ParticipantView['help']
  visits: string[]
  /** Whether warnings before the end are also heard and felt. */
  aloud: boolean
  onAloud: (on: boolean) => void
  onSend: SendFromPlace
}

/** Always at the bottom: help; and who is visiting, so that nobody is startled. */
export function PlaceFoot({ help, visits, aloud, onAloud, onSend }: PlaceFootProps) {
  return (
    <Box as="footer" position="sticky" bottom="0" bg="paper" borderTopWidth="1px" px="16px" py="10px">
      <Flex justify="space-between" align="center" gap="12px">
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
          {aloud ? 'Sound on' : 'Sound off'}
        </Button>
        <chakra.p role="status" fontSize="s" flex="1">
          {help
            ? 'Help has been called. The facilitator can see it.'
            : visits.length > 0
              ? `${visits.join(' and ')} is in your room, listening.`
              : ''}
        </chakra.p>
        <HelpButton help={help} onSend={onSend} />
      </Flex>
    </Box>
  )
}
