import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { LONGEST_ABOUT, type OfficeHere } from '~/core/live/office/office-facts'
import { expectedWait } from '~/core/live/office/waits'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import type { SendFromPlace } from '../live-view'
import { ClockTime, waitWords } from './office-words'

interface OfficeLineProps {
  office: OfficeHere
  pageMadeAt: number
  send: SendFromPlace
}

/** Nobody is thought to wait on the page for longer than this, in milliseconds. */
const LATER_MS = 3_600_000

/** Waiting for the facilitator: in line, or at a time of one's own. Of the others one sees how many there are, and nothing else. */
export default function OfficeLine({ office, pageMadeAt, send }: OfficeLineProps) {
  const now = useServerNow(pageMadeAt, 15_000)
  const [about, setAbout] = useKeptText('office-about')
  const { place, times, pace } = office
  const mine = times.find(({ state }) => state === 'mine')
  const free = times.filter(({ state, at }) => state === 'free' && at > now)
  return (
    <Stack gap="16px" py="12px" aria-label="Office hours" as="section">
      {office.lostTime !== null && (
        <chakra.p role="status" fontWeight="600">
          Your time, <ClockTime at={office.lostTime} now={now} />, has been withdrawn. Take another, or wait
          in line.
        </chakra.p>
      )}
      {place ? (
        <Box role="status">
          <chakra.h2 fontSize="xl">
            {place.ahead === 0 ? 'You are next' : `${place.ahead} ahead of you`}
          </chakra.h2>
          <p>
            {waitWords(expectedWait(pace, place.ahead, now))} Leave this page open: your room opens by itself.
          </p>
          {place.about !== '' && <chakra.p color="quiet">About: {place.about}</chakra.p>}
        </Box>
      ) : (
        <chakra.p>
          One after the other, alone or a few together, in a room that nobody else sees. Who waits sees
          nothing of the others.
        </chakra.p>
      )}
      {mine && (
        <Flex gap="10px" align="center" wrap="wrap">
          <span>
            Your time is{' '}
            <b>
              <ClockTime at={mine.at} now={now} />
            </b>
          </span>
          <Button size="small" onClick={() => send({ type: 'give-time-back', timeId: mine.id })}>
            Give it back
          </Button>
          {mine.at - now > LATER_MS && (
            <chakra.span color="quiet">Come back to this page then: it stays yours.</chakra.span>
          )}
        </Flex>
      )}
      {place ? (
        <Button alignSelf="flex-start" onClick={() => send({ type: 'leave-line' })}>
          Leave the line
        </Button>
      ) : (
        <Stack
          as="form"
          gap="10px"
          onSubmit={event => {
            event.preventDefault()
            send({ type: 'join-line', about })
          }}
        >
          <Field label="What is it about? (only the facilitator reads it)">
            {parts => (
              <Input
                {...parts}
                autoComplete="off"
                maxLength={LONGEST_ABOUT}
                value={about}
                onChange={event => setAbout(event.target.value)}
              />
            )}
          </Field>
          <Flex gap="10px" align="center" wrap="wrap">
            <Button type="submit" kind="main" size="large">
              Wait in line
            </Button>
            <chakra.span color="quiet">{waitWords(expectedWait(pace, office.inLine, now))}</chakra.span>
          </Flex>
        </Stack>
      )}
      {free.length > 0 && (
        <Box>
          <chakra.h3 fontSize="m" mb="6px">
            Or take a time
          </chakra.h3>
          <Flex as="ul" listStyleType="none" gap="8px" wrap="wrap" aria-label="Free times">
            {free.map(({ id, at }) => (
              <li key={id}>
                <Button size="small" onClick={() => send({ type: 'take-time', timeId: id, about })}>
                  <ClockTime at={at} now={now} />
                </Button>
              </li>
            ))}
          </Flex>
        </Box>
      )}
    </Stack>
  )
}
