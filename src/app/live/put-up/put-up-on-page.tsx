import { Box, chakra, Flex } from '@chakra-ui/react'
import { Presentation } from 'lucide-react'
import { useState } from 'react'
import { putUpKey } from '~/core/live/put-up/key'
import type { ParticipantView } from '~/core/live/views'
import type { LiveSnapshot } from '../../live-client/live-store'
import { Button } from '../../ui/button'
import { PutUpShown } from './put-up-shown'
import { putUpWords } from './put-up-words'
import { ThingShown } from './thing-shown'

interface PutUpOnPageProps {
  putUp: NonNullable<ParticipantView['putUp']>
  /** What was last told of it, or of what was up before. */
  told: LiveSnapshot<ParticipantView>['putUp']
  /** Somebody at work in a room opens it when they want to. */
  inRoom: boolean
  join: { code: string; address: string }
  pageMadeAt: number
}

/** What is put up for all to see, on a participant's own page, as it stands now. */
export default function PutUpOnPage({ putUp, told, inRoom, join, pageMadeAt }: PutUpOnPageProps) {
  const { what, whose } = putUpWords(putUp)
  const [open, setOpen] = useState(false)
  const isShown = open || !inRoom
  return (
    <Box as="section" aria-label="Put up" borderWidth="2px" borderRadius="8px" bg="panel" p="12px">
      <Flex justify="space-between" align="flex-start" gap="8px">
        <Box minW="0">
          <Flex as="p" fontSize="s" color="quiet" gap="6px" align="center">
            <Presentation size={16} aria-hidden="true" /> Shown to everybody{whose && `: ${whose}`}
          </Flex>
          <chakra.h2 fontSize="l" overflowWrap="anywhere">
            {what}
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
          {putUp.is === 'work' ? (
            <Work now={told?.of === putUpKey(putUp) ? told.now : null} isOne={putUp.roomId !== null} />
          ) : (
            <ThingShown up={putUp} isWall={false} pageMadeAt={pageMadeAt} joinCode={<JoinCode {...join} />} />
          )}
        </Box>
      )}
    </Box>
  )
}

type Told = NonNullable<LiveSnapshot<ParticipantView>['putUp']>['now']

function Work({ now, isOne }: { now: Told; isOne: boolean }) {
  if (now === 'too-much') return <p>It is on the projector: there is too much of it for this page.</p>
  return now ? <PutUpShown now={now} isOne={isOne} togetherSize="18px" /> : 'Reading…'
}

/** For somebody beside who has not come in yet. */
const JoinCode = ({ code, address }: PutUpOnPageProps['join']) => (
  <chakra.p overflowWrap="anywhere">
    Join at <b>{address}</b> with the code{' '}
    <chakra.b fontSize="l" letterSpacing="0.05em">
      {code}
    </chakra.b>
  </chakra.p>
)
