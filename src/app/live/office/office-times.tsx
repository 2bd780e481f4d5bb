import { Box, chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { MOST_TIMES, type Office } from '~/core/live/office/office-facts'
import { serverTime } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { nameIn } from './office-desk'
import { ClockTime } from './office-words'

/** Times that can be taken: offered, and who has taken which. */
export function OfficeTimes({ view, office, send }: { view: LiveView; office: Office; send: Send }) {
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
          const from = nextMomentOf(String(form.get('from')), serverTime())
          if (from === null) return setProblem('Say from when, as a time of the day.')
          const ask = { from, count: Number(form.get('count')), minutes: Number(form.get('minutes')) }
          send({ type: 'offer-times', ...ask }, setProblem)
        }}
      >
        <Field label="From" errors={problem === null ? undefined : [problem]}>
          {parts => <Input {...parts} type="time" name="from" required w="130px" />}
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
              <ClockTime at={at} />
            </b>
            <span>{takenBy === null ? 'free' : nameIn(view, takenBy)}</span>
            {about !== '' && <chakra.span color="quiet">{about}</chakra.span>}
            <Button size="small" kind="bare" onClick={() => send({ type: 'withdraw-time', timeId: id })}>
              Withdraw
            </Button>
          </Flex>
        ))}
      </Flex>
    </Box>
  )
}

/** The next moment at which clocks here show a time of day, such as 15:30, in milliseconds since 1970; null when it is none. */
export function nextMomentOf(time: string, now: number): number | null {
  const [, hours, minutes] = /^(\d\d):(\d\d)$/.exec(time) ?? []
  if (hours === undefined || minutes === undefined) return null
  const day = new Date(now)
  day.setHours(Number(hours), Number(minutes), 0, 0)
  if (day.getTime() <= now) day.setDate(day.getDate() + 1)
  return day.getTime()
}
