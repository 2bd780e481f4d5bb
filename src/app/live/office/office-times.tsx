import { Box, chakra, Flex } from '@chakra-ui/react'
import { addDays, isValid, parse } from 'date-fns'
import { useState } from 'react'
import { MOST_TIMES, type Office } from '~/core/live/office/office-facts'
import { serverTime, useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { nameIn } from './office-desk'
import { ClockTime } from './office-words'

interface OfficeTimesProps {
  view: LiveView
  office: Office
  pageMadeAt: number
  send: Send
}

/** Times that can be taken, today or on another day: offered, and who has taken which. */
export function OfficeTimes({ view, office, pageMadeAt, send }: OfficeTimesProps) {
  const now = useServerNow(pageMadeAt, 15_000)
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <Box as="section" aria-label="Times to take">
      <chakra.h2 fontSize="l" mb="6px">
        Times to take
      </chakra.h2>
      <Flex
        as="form"
        gap="10px"
        align="flex-end"
        wrap="wrap"
        mb="10px"
        onSubmit={event => {
          event.preventDefault()
          setProblem(null)
          const form = new FormData(event.target as HTMLFormElement)
          const from = momentOf(String(form.get('day')), String(form.get('from')), serverTime())
          if (from === null) return setProblem('Say from when, as a time of the day.')
          if (from <= serverTime()) return setProblem('That is over already. Take a later time or day.')
          const ask = { from, count: Number(form.get('count')), minutes: Number(form.get('minutes')) }
          send({ type: 'offer-times', ...ask }, setProblem)
        }}
      >
        <Field label="From" errors={problem === null ? undefined : [problem]}>
          {parts => <Input {...parts} type="time" name="from" required w="130px" />}
        </Field>
        <Field label="Day, if not today">
          {parts => <Input {...parts} type="date" name="day" w="160px" />}
        </Field>
        <Field label="Minutes each">
          {parts => (
            <Input
              {...parts}
              type="number"
              name="minutes"
              min={1}
              max={120}
              required
              defaultValue={office.minutes}
              w="90px"
            />
          )}
        </Field>
        <Field label="How many">
          {parts => (
            <Input
              {...parts}
              type="number"
              name="count"
              min={1}
              max={MOST_TIMES}
              required
              defaultValue={4}
              w="90px"
            />
          )}
        </Field>
        <Button type="submit">Offer</Button>
      </Flex>
      <Flex as="ul" listStyleType="none" gap="8px" wrap="wrap" aria-label="Times that were offered">
        {office.times.map(({ id, at, takenBy, about }) => (
          <Flex
            as="li"
            key={id}
            gap="8px"
            align="center"
            borderWidth="1px"
            borderRadius="6px"
            bg="panel"
            p="4px 10px"
          >
            <b>
              <ClockTime at={at} now={now} />
            </b>
            <span>{takenBy === null ? 'free' : nameIn(view, takenBy)}</span>
            {about !== '' && <chakra.span color="quiet">{about}</chakra.span>}
            <Button
              size="small"
              kind="bare"
              onClick={() => send({ type: 'withdraw-time', timeId: id, takenBy })}
            >
              Withdraw
            </Button>
          </Flex>
        ))}
      </Flex>
    </Box>
  )
}

/**
 * The moment at which clocks here show a time of day, such as 15:30, on a day, such as 2026-12-01, or where none is said the next time
 * they do; in milliseconds since 1970, null when it is none.
 */
export function momentOf(day: string, time: string, now: number): number | null {
  const moment = parse(time, 'HH:mm', day === '' ? now : parse(day, 'yyyy-MM-dd', now))
  if (!isValid(moment)) return null
  return (day === '' && moment.getTime() <= now ? addDays(moment, 1) : moment).getTime()
}
