import { Box, chakra, Flex } from '@chakra-ui/react'
import { Plus, RotateCcw, Undo2 } from 'lucide-react'
import { memo } from 'react'
import { clockText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { BAR } from '../bar'
import type { LiveView, Send } from '../live-view'
import { PutUpHere } from '../put-up/put-up-here'
import { NEXT_STEP } from '../segments/next-step'

/** While people are in rooms: the clock, calling back, and more time. */
export const RoundControls = memo(function RoundControls({
  clock,
  view,
  send,
}: {
  clock: NonNullable<LiveView['clock']>
  view: LiveView
  send: Send
}) {
  return (
    <>
      {/* Wider only from an hour on. */}
      <Flex minW={{ base: '84px', md: '104px' }} gap="4px" justify="space-between" align="center">
        <RoundClock clock={clock} />
        <PutUpHere is="clock" name="the clock" view={view} send={send} />
      </Flex>
      {clock.graceEndsAt === null ? (
        <Button
          id={NEXT_STEP}
          {...BAR}
          kind="main"
          title="Key: n"
          onClick={() => send({ type: 'call-back' })}
        >
          <Undo2 size={20} aria-hidden="true" /> Call back
        </Button>
      ) : (
        <GoOn clock={clock} send={send} />
      )}
      <Button {...BAR} title="Key: m" onClick={() => send({ type: 'add-time', seconds: 60 })}>
        <Plus size={18} aria-hidden="true" /> 1 min
      </Button>
    </>
  )
})

/** While people come back the call can be taken back, as long as the round would still run. */
function GoOn({ clock, send }: { clock: NonNullable<LiveView['clock']>; send: Send }) {
  const now = useServerNow(clock.startedAt)
  const left = clock.plannedEndsAt - now
  if (left <= 0) return <chakra.span fontWeight="600">Coming back</chakra.span>
  return (
    <Button {...BAR} onClick={() => send({ type: 'go-on' })}>
      <RotateCcw size={20} aria-hidden="true" /> Go on as before, {clockText(left)} left
    </Button>
  )
}

function RoundClock({ clock }: { clock: NonNullable<LiveView['clock']> }) {
  const now = useServerNow(clock.startedAt)
  const left = (clock.graceEndsAt ?? clock.endsAt) - now
  const warned = clock.warned.at(-1)
  const state = clock.graceEndsAt !== null ? 'grace' : `round ${clock.number}`
  return (
    <Box>
      <chakra.div
        role="timer"
        fontSize="xl"
        fontWeight="650"
        lineHeight="1"
        fontVariantNumeric="tabular-nums"
        color={left < 60_000 ? 'ask' : 'ink'}
      >
        {clockText(left)}
      </chakra.div>
      <chakra.div fontSize="s" color="quiet" whiteSpace="nowrap">
        {clock.graceEndsAt === null && warned !== undefined ? `${Math.round(warned / 60)} min said` : state}
      </chakra.div>
    </Box>
  )
}
