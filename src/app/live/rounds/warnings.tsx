import { Box, chakra, Flex } from '@chakra-ui/react'
import { Hourglass } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { leftText } from '~/core/schedule/lengths'
import { Button } from '../../ui/button'
import { chime } from '../../ui/sound'

type Clock = NonNullable<ParticipantView['clock']>

/** What is said at this moment of the round; null when nothing is. The key changes with each thing said. */
export function warningOf(clock: Clock | null): { key: string; text: string } | null {
  if (!clock) return null
  if (clock.graceEndsAt !== null) {
    return { key: `${clock.number}-back-${clock.graceEndsAt}`, text: 'Finish your sentence and come back.' }
  }
  const warned = clock.warned.at(-1)
  return warned === undefined
    ? null
    : { key: `${clock.number}-${warned}-${clock.endsAt}`, text: `${leftText(warned)}.` }
}

interface WarningsProps {
  clock: Clock | null
  /** Also a tone and a short vibration, for those who wish. */
  aloud: boolean
}

/** A warning before the end, on top of the board until it is put away or another one comes. */
export function Warnings({ clock, aloud }: WarningsProps) {
  const warning = warningOf(clock)
  const [away, setAway] = useState<string | null>(null)
  const heard = useRef(warning?.key)
  useEffect(() => {
    if (!warning || heard.current === warning.key) return
    heard.current = warning.key
    if (!aloud) return
    chime('warning')
    navigator.vibrate?.(200)
  }, [warning, aloud])
  const shown = warning && warning.key !== away ? warning : null
  return (
    <Box role="status" aria-live="assertive">
      {shown && (
        <Flex
          bg="askWash"
          borderWidth="2px"
          borderColor="ask"
          borderRadius="8px"
          p="10px 12px"
          gap="10px"
          align="center"
          justify="space-between"
        >
          <Flex gap="10px" align="center">
            <Hourglass size={20} aria-hidden="true" />
            <chakra.b fontSize="l">{shown.text}</chakra.b>
          </Flex>
          <Button size="small" onClick={() => setAway(shown.key)}>
            Put away
          </Button>
        </Flex>
      )}
    </Box>
  )
}
