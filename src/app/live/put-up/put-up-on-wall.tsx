import { Box, chakra } from '@chakra-ui/react'
import { putUpKey } from '~/core/live/put-up/key'
import type { ProjectorView } from '~/core/live/views'
import { PutUpShown } from './put-up-shown'
import { useReadAgain } from './use-read-again'

interface PutUpOnWallProps {
  sessionId: string
  putUp: NonNullable<ProjectorView['putUp']>
}

/** Work of a room, or of all, for all to see, as it is being written. */
export function PutUpOnWall({ sessionId, putUp }: PutUpOnWallProps) {
  const { roomId, whose, asks } = putUp
  const now = useReadAgain(`/sessions/${sessionId}/put-up`, putUpKey(putUp))
  return (
    <Box as="section" aria-label="Put up" bg="panel" borderWidth="2px" borderRadius="8px" p="20px">
      <chakra.p fontSize="l" color="quiet">
        {whose}
      </chakra.p>
      <chakra.h2 fontSize="xl" mb="12px" overflowWrap="anywhere">
        {asks}
      </chakra.h2>
      <Box fontSize="l">
        {now ? <PutUpShown now={now} isOne={roomId !== null} togetherSize="26px" /> : 'Reading…'}
      </Box>
    </Box>
  )
}
