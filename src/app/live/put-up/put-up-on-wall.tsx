import { Box, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { PutUpNow } from '~/contracts/put-up'
import { putUpKey } from '~/core/live/put-up/key'
import type { ProjectorView } from '~/core/live/views'
import { PutUpShown } from './put-up-shown'

/** It is read anew after so long, in milliseconds; an answer that took long is waited for ten times as long. */
const AGAIN_MS = 2_000

interface PutUpOnWallProps {
  sessionId: string
  putUp: NonNullable<ProjectorView['putUp']>
}

/** Work of a room, or of all, for all to see, as it is being written. */
export function PutUpOnWall({ sessionId, putUp }: PutUpOnWallProps) {
  const { roomId, whose, asks } = putUp
  const now = usePutUp(sessionId, putUpKey(putUp))
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

/** What is up, as it was last read; what was up before is gone at once. */
function usePutUp(sessionId: string, what: string): PutUpNow {
  const [read, setRead] = useState<{ what: string; now: PutUpNow }>()
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    let gone = false
    const look = async () => {
      const began = performance.now()
      try {
        const answer = document.hidden ? null : await fetch(`/sessions/${sessionId}/put-up`)
        const now = answer?.ok ? ((await answer.json()) as PutUpNow) : null
        if (now && !gone) setRead({ what, now })
      } catch {
        // Without a line what was read last stays.
      }
      if (!gone) timer = setTimeout(run, Math.max(AGAIN_MS, 10 * (performance.now() - began)))
    }
    const run = () => void look()
    run()
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [sessionId, what])
  return read?.what === what ? read.now : null
}
