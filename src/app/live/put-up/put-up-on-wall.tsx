import { Box, chakra, Grid } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { PutUpNow } from '~/contracts/put-up'
import type { ProjectorView } from '~/core/live/views'
import { AnswerView, TogetherView } from '../../prompts/answer-view'

/** It is read anew after so long, in milliseconds; an answer that took long is waited for ten times as long. */
const AGAIN_MS = 2_000
/** More rooms than these can't be read from the last row: what they come to together counts all. */
const MOST_ROOMS = 24

interface PutUpOnWallProps {
  sessionId: string
  putUp: NonNullable<ProjectorView['putUp']>
}

/** Work of a room, or of all, for all to see, as it is being written. */
export function PutUpOnWall({ sessionId, putUp: { roomId, promptId, whose, asks } }: PutUpOnWallProps) {
  const now = usePutUp(sessionId, `${roomId}/${promptId}`)
  return (
    <Box as="section" aria-label="Put up" bg="panel" borderWidth="2px" borderRadius="8px" p="20px">
      <chakra.p fontSize="l" color="quiet">
        {whose}
      </chakra.p>
      <chakra.h2 fontSize="xl" mb="12px" overflowWrap="anywhere">
        {asks}
      </chakra.h2>
      <Box fontSize="l">{now ? <Shown now={now} isOne={roomId !== null} /> : 'Reading…'}</Box>
    </Box>
  )
}

function Shown({ now: { prompts, rooms }, isOne }: { now: NonNullable<PutUpNow>; isOne: boolean }) {
  if (isOne)
    return prompts.map(({ id, text }) => (
      <Box key={id} mb="16px">
        {prompts.length > 1 && (
          <chakra.h3 fontSize="l" mb="4px">
            {text}
          </chakra.h3>
        )}
        <AnswerView read={rooms[0]?.answers[id]} />
      </Box>
    ))
  const [prompt] = prompts
  if (!prompt) return null
  const begun = rooms.filter(({ answers }) => answers[prompt.id]?.begun)
  const waited = rooms.length - begun.length
  return (
    <>
      <Box fontSize="26px">
        <TogetherView reads={rooms.flatMap(({ answers }) => answers[prompt.id] ?? [])} />
      </Box>
      <Grid templateColumns="repeat(auto-fit, minmax(280px, 1fr))" gap="16px">
        {begun.slice(0, MOST_ROOMS).map(({ name, answers }) => (
          <chakra.article key={name} aria-label={name} borderWidth="1px" borderRadius="8px" p="12px">
            <chakra.h3 fontSize="l" mb="4px" overflowWrap="anywhere">
              {name}
            </chakra.h3>
            <AnswerView read={answers[prompt.id]} />
          </chakra.article>
        ))}
      </Grid>
      {begun.length > MOST_ROOMS && (
        <chakra.p mt="12px" color="quiet">
          and {begun.length - MOST_ROOMS} more rooms
        </chakra.p>
      )}
      {waited > 0 && (
        <chakra.p mt="12px" color="quiet">
          {waited === 1 ? 'One room has' : `${waited} rooms have`} not written yet.
        </chakra.p>
      )}
    </>
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
