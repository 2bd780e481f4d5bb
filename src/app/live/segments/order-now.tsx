import { Box, chakra, Flex } from '@chakra-ui/react'
import { ListOrdered } from 'lucide-react'
import { memo, useState } from 'react'
import { timeOfDay } from '~/core/schedule/session-time'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'
import { OrderToCome } from './order-to-come'
import { currentIn, nextIn, useStanding } from './use-standing'

interface OrderNowProps {
  view: LiveView
  pageMadeAt: number
  /** The session's own. */
  timeZone: string
  send: Send
}

/** What is now, what comes, and how far the session is ahead or behind; the rest of the order can be changed from here. */
export const OrderNow = memo(function OrderNow({ view, pageMadeAt, timeZone, send }: OrderNowProps) {
  const [open, setOpen] = useState(false)
  const stands = useStanding(view, pageMadeAt)
  if (!view.order || !stands) return null
  const [now, next] = [currentIn(view), nextIn(view)]
  const isBegun = view.order.segments.some(({ startedAt }) => startedAt !== null)
  return (
    // On a phone one round by itself is said by its button and its clock.
    <Box mb="8px" display={{ base: view.order.segments.length > 1 ? 'block' : 'none', md: 'block' }}>
      <Flex
        gap={{ base: '2px 10px', md: '4px 16px' }}
        align="baseline"
        wrap="wrap"
        fontSize={{ base: 's', md: 'm' }}
      >
        <span>
          Now: <b>{now?.name ?? (isBegun ? 'Whole group' : 'people arrive')}</b>
        </span>
        <chakra.span color="quiet">
          {next ? `Then: ${next.name}, ${next.minutes} min` : 'Nothing more is planned'}
        </chakra.span>
        <chakra.span fontVariantNumeric="tabular-nums" color={stands.over > 0 ? 'ask' : 'quiet'}>
          Ends {timeOfDay(stands.endsAt, timeZone)}
          {stands.over > 0 && `, ${stands.over} min late`}
          {stands.over < 0 && `, ${-stands.over} min early`}
        </chakra.span>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Close the order' : 'Running order'}
        </Button>
      </Flex>
      {now?.cues && (
        <chakra.p fontSize="s" color="quiet" whiteSpace="pre-wrap" mt="2px">
          {now.cues}
        </chakra.p>
      )}
      {open && <OrderToCome order={view.order} over={stands.over} send={send} />}
    </Box>
  )
})

const NO_ORDER = { segments: [], startsAt: null, minutesPlanned: null }

/** For a session that was begun without a plan: what comes can be laid out while it runs. */
export function PlanWhatComes({ view, send }: { view: LiveView; send: Send }) {
  const [open, setOpen] = useState(false)
  if (view.order) return null
  return (
    <>
      <Button size="small" kind="bare" aria-expanded={open} onClick={() => setOpen(!open)}>
        <ListOrdered size={16} aria-hidden="true" /> {open ? 'Close the order' : 'Plan what comes'}
      </Button>
      {open && (
        <Box flexBasis="100%">
          <OrderToCome order={NO_ORDER} over={0} send={send} />
        </Box>
      )}
    </>
  )
}
