import { Box, chakra, Flex } from '@chakra-ui/react'
import { SendHorizontal } from 'lucide-react'
import { useState } from 'react'
import { aloneRooms } from '~/core/live/rooms/alone'
import { segmentName } from '~/core/schedule/running-order'
import { Button } from '../../ui/button'
import { Input } from '../../ui/fields'
import { BAR } from '../bar'
import type { LiveView, Send } from '../live-view'
import { AloneNotice } from '../rooms/alone-notice'
import { NEXT_STEP } from '../segments/next-step'
import { nextIn } from '../segments/use-standing'

/** Whether a round is called something by its plan: “Rooms” need not be said. */
const isNamed = (name: string) => name !== segmentName({ kind: 'rooms', name: '' })

/** Sends everybody out, and asks before somebody would be alone. */
export function SendOut({ view, send }: { view: LiveView; send: Send }) {
  const next = nextIn(view)
  const round = next?.kind === 'rooms' ? next : undefined
  const [minutes, setMinutes] = useState(String(round?.minutes ?? view.rounds.roomSeconds / 60))
  const [asking, setAsking] = useState(false)
  const alone = aloneRooms(
    view.rooms,
    view.people.filter(person => person.admitted),
  )
  const go = () => {
    setAsking(false)
    const seconds = Math.round(Number(minutes) * 60)
    send(round ? { type: 'next-segment', segmentId: round.id, seconds } : { type: 'send-out', seconds })
  }
  return (
    <>
      {asking && (
        <Box w="full">
          <AloneNotice alone={alone} send={send} onSendOut={go} onCancel={() => setAsking(false)} />
        </Box>
      )}
      <Flex
        as="form"
        gap="8px"
        align="center"
        onSubmit={event => {
          event.preventDefault()
          if (alone.length > 0) setAsking(true)
          else go()
        }}
      >
        <Button id={NEXT_STEP} type="submit" kind="main" title="Key: n" {...BAR}>
          <SendHorizontal size={20} aria-hidden="true" /> Send out
          {round && isNamed(round.name) && `: ${round.name}`}
        </Button>
        <Flex align="center" gap="6px">
          <chakra.span>for</chakra.span>
          <Input
            type="number"
            aria-label="Minutes in rooms"
            min={0.5}
            max={240}
            step={0.5}
            w="76px"
            minH={BAR.minH}
            value={minutes}
            onChange={event => setMinutes(event.target.value)}
          />
          <chakra.span>min</chakra.span>
        </Flex>
      </Flex>
    </>
  )
}
