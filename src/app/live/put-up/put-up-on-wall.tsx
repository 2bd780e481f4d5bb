import { Box, chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { putUpKey } from '~/core/live/put-up/key'
import type { PutUpShown as Up } from '~/core/live/put-up/shown'
import { PutUpShown } from './put-up-shown'
import { putUpWords } from './put-up-words'
import { ThingShown } from './thing-shown'
import { useReadAgain } from './use-read-again'

interface PutUpOnWallProps {
  sessionId: string
  putUp: Up
  pageMadeAt: number
  joinCode: ReactNode
}

/** What is up, for all to see. */
export function PutUpOnWall({ sessionId, putUp, pageMadeAt, joinCode }: PutUpOnWallProps) {
  const { what, whose } = putUpWords(putUp)
  return (
    <Box as="section" aria-label="Put up" bg="panel" borderWidth="2px" borderRadius="8px" p="20px">
      {whose && (
        <chakra.p fontSize="l" color="quiet">
          {whose}
        </chakra.p>
      )}
      <chakra.h2 fontSize="xl" mb="12px" overflowWrap="anywhere">
        {what}
      </chakra.h2>
      <Box fontSize="l">
        {putUp.is === 'work' ? (
          <Work sessionId={sessionId} work={putUp} />
        ) : (
          <ThingShown up={putUp} isWall pageMadeAt={pageMadeAt} joinCode={joinCode} />
        )}
      </Box>
    </Box>
  )
}

/** Work of a room, or of all, as it is being written. */
function Work({ sessionId, work }: { sessionId: string; work: Extract<Up, { is: 'work' }> }) {
  const now = useReadAgain(`/sessions/${sessionId}/put-up`, putUpKey(work))
  return now ? <PutUpShown now={now} isOne={work.roomId !== null} togetherSize="26px" /> : 'Reading…'
}
