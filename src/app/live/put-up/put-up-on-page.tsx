import { Box, chakra, Flex } from '@chakra-ui/react'
import { Presentation } from 'lucide-react'
import { useState } from 'react'
import { putUpKey } from '~/core/live/put-up/key'
import type { ParticipantView } from '~/core/live/views'
import type { LiveSnapshot } from '../../live-client/live-store'
import { Button } from '../../ui/button'
import { PutUpShown } from './put-up-shown'

interface PutUpOnPageProps {
  putUp: NonNullable<ParticipantView['putUp']>
  /** What was last told of it, or of what was up before. */
  told: LiveSnapshot<ParticipantView>['putUp']
  /** Somebody at work in a room opens it when they want to. */
  inRoom: boolean
}

/** What is put up for all to see, on a participant's own page, as it is being written. */
export default function PutUpOnPage({ putUp, told, inRoom }: PutUpOnPageProps) {
  const { roomId, whose, asks } = putUp
  const [open, setOpen] = useState(false)
  const now = told?.of === putUpKey(putUp) ? told.now : null
  const isShown = open || !inRoom
  return (
    <Box as="section" aria-label="Put up" borderWidth="2px" borderRadius="8px" bg="panel" p="12px">
      <Flex justify="space-between" align="flex-start" gap="8px">
        <Box minW="0">
          <Flex as="p" fontSize="s" color="quiet" gap="6px" align="center">
            <Presentation size={16} aria-hidden="true" /> Shown to everybody: {whose}
          </Flex>
          <chakra.h2 fontSize="l" overflowWrap="anywhere">
            {asks}
          </chakra.h2>
        </Box>
        {inRoom && (
          <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Hide' : 'Look'}
          </Button>
        )}
      </Flex>
      {isShown && (
        <Box mt="10px" overflowWrap="anywhere">
          {now === 'too-much' ? (
            <p>It is on the projector: there is too much of it for this page.</p>
          ) : now ? (
            <PutUpShown now={now} isOne={roomId !== null} togetherSize="18px" />
          ) : (
            'Reading…'
          )}
        </Box>
      )}
    </Box>
  )
}
