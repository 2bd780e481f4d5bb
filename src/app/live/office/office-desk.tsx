import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { MOST_SEEN_AT_ONCE, type Office } from '~/core/live/office/office-facts'
import { expectedWait, nextUp, paceOf } from '~/core/live/office/waits'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { Observations } from '../observations/observations'
import { ClockTime, waitWords } from './office-words'

interface OfficeDeskProps {
  sessionId: string
  view: LiveView
  office: Office
  timeZone: string
  pageMadeAt: number
  /** Opens the room of those who are there. */
  onOpen: (roomId: string) => void
  send: Send
}

/** Who is there, and who waits, in the order in which they come. */
export function OfficeDesk({ sessionId, view, office, timeZone, pageMadeAt, onOpen, send }: OfficeDeskProps) {
  const now = useServerNow(pageMadeAt, 5_000)
  const [chosen, setChosen] = useState<string[]>([])
  const next = nextUp(office, now)
  const wanted = chosen.filter(id => next.includes(id))
  const instead = office.now?.roomId ?? null
  const see = async (participantIds: string[]) => {
    if (await send({ type: 'see', participantIds, instead })) setChosen([])
  }
  const pace = paceOf(office)
  const placeInLine = (id: string) => office.line.findIndex(({ participantId }) => participantId === id)
  const timeOf = (id: string) => office.times.find(({ takenBy }) => takenBy === id)
  return (
    <Stack gap="16px">
      <AtTheDoor view={view} send={send} />
      <Now {...{ sessionId, view, office, timeZone, onOpen, send }} minutes={now} />
      <Box as="section" aria-label="In line">
        <Flex gap="12px" align="baseline" wrap="wrap" mb="6px">
          <chakra.h2 fontSize="l">In line</chakra.h2>
          <chakra.span color="quiet">
            {next.length === 0 ? 'Nobody waits.' : `${next.length} ${next.length === 1 ? 'waits' : 'wait'}`}
          </chakra.span>
          {next[0] !== undefined && wanted.length < 2 && (
            <Button kind="main" onClick={() => see([next[0] ?? ''])}>
              Next: {nameIn(view, next[0])}
            </Button>
          )}
          {wanted.length >= 2 && (
            <Button kind="main" disabled={wanted.length > MOST_SEEN_AT_ONCE} onClick={() => see(wanted)}>
              {wanted.length > MOST_SEEN_AT_ONCE
                ? `At most ${MOST_SEEN_AT_ONCE} together`
                : `See these ${wanted.length} together`}
            </Button>
          )}
        </Flex>
        <Stack as="ol" listStyleType="none" gap="6px" aria-label="Who waits">
          {next.map(id => {
            const at = placeInLine(id)
            const time = timeOf(id)
            const about = at < 0 ? time?.about : office.line[at]?.about
            return (
              <Flex
                as="li"
                key={id}
                gap="12px"
                align="center"
                wrap="wrap"
                bg="panel"
                borderWidth="1px"
                borderRadius="8px"
                p="8px 12px"
              >
                <Tick
                  checked={wanted.includes(id)}
                  onChange={event =>
                    setChosen(event.target.checked ? [...wanted, id] : wanted.filter(each => each !== id))
                  }
                >
                  {nameIn(view, id)}
                </Tick>
                <Box flex="1" minW="160px">
                  {about && <chakra.p overflowWrap="anywhere">{about}</chakra.p>}
                  <chakra.p fontSize="s" color="quiet">
                    {at < 0 && time ? (
                      <>
                        Has the time <ClockTime at={time.at} now={now} />
                      </>
                    ) : (
                      waitWords(expectedWait(pace, at, now))
                    )}
                    {!isConnected(view, id) && ' Their page is closed now.'}
                  </chakra.p>
                </Box>
                <Button size="small" onClick={() => see([id])}>
                  See
                </Button>
              </Flex>
            )
          })}
        </Stack>
      </Box>
    </Stack>
  )
}

/** Who waits to be let in at all, where the waiting list is on. */
function AtTheDoor({ view, send }: { view: LiveView; send: Send }) {
  const waiting = view.people.filter(({ admitted }) => !admitted)
  if (waiting.length === 0) return null
  return (
    <Flex gap="10px" align="center" wrap="wrap">
      <span>At the door: {waiting.map(({ shownName }) => shownName).join(', ')}</span>
      <Button
        size="small"
        kind="ask"
        onClick={() => send({ type: 'let-in', participantIds: waiting.map(({ id }) => id) })}
      >
        Let {waiting.length === 1 ? 'in' : `all ${waiting.length} in`}
      </Button>
    </Flex>
  )
}

function Now({
  sessionId,
  view,
  office,
  timeZone,
  minutes: now,
  onOpen,
  send,
}: Omit<OfficeDeskProps, 'pageMadeAt'> & { minutes: number }) {
  const there = office.now
  if (!there)
    return (
      <Box as="section" aria-label="There now">
        <chakra.h2 fontSize="l">Nobody is there</chakra.h2>
      </Box>
    )
  const names = there.participantIds.map(id => nameIn(view, id)).join(', ')
  const minutes = Math.max(0, Math.floor((now - there.startedAt) / 60_000))
  return (
    <Stack
      as="section"
      aria-label="There now"
      gap="10px"
      bg="liveWash"
      borderWidth="1px"
      borderLeftWidth="6px"
      borderColor="live"
      borderRadius="8px"
      p="14px"
    >
      <Flex gap="10px" align="center" wrap="wrap">
        <Box flex="1" minW="200px">
          <chakra.h2 fontSize="l">{names}</chakra.h2>
          <chakra.p color="quiet">
            There for {minutes} min{there.about !== '' && `: ${there.about}`}
          </chakra.p>
        </Box>
        <Button onClick={() => onOpen(there.roomId)}>Open the room</Button>
        <Button onClick={() => send({ type: 'end-seeing', roomId: there.roomId, putBack: true })}>
          Put back in line
        </Button>
        <Button onClick={() => send({ type: 'end-seeing', roomId: there.roomId, putBack: false })}>
          Done
        </Button>
      </Flex>
      {there.participantIds.map(id => (
        <chakra.details key={id}>
          <chakra.summary cursor="pointer" fontWeight="600">
            Note for later on {nameIn(view, id)}
          </chakra.summary>
          <Box pt="8px">
            <Observations
              sessionId={sessionId}
              on={{ participantId: id }}
              view={view}
              timeZone={timeZone}
              send={send}
            />
          </Box>
        </chakra.details>
      ))}
    </Stack>
  )
}

export const nameIn = (view: LiveView, id: string): string =>
  view.people.find(person => person.id === id)?.shownName ?? 'Somebody'

const isConnected = (view: LiveView, id: string): boolean =>
  view.people.find(person => person.id === id)?.connected ?? false
