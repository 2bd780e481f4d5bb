import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Check, SkipForward } from 'lucide-react'
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { LONGEST_POINTS, type ReportBack, type ReportingRoom } from '~/core/live/report/report'
import { clockText } from '~/core/schedule/lengths'
import type { LiveView, Send } from '../../../live/live-view'
import { useServerNow } from '../../../live-client/server-clock'
import { Button } from '../../../ui/button'
import { Field, SmallSelect, TextArea, Tick } from '../../../ui/fields'

interface ReportNowProps {
  report: ReportBack
  view: LiveView
  pageMadeAt: number
  send: Send
}

/** The report back as it goes: which room reports, what is taken down of it, and the next by one press. */
export function ReportNow({ report, view, pageMadeAt, send }: ReportNowProps) {
  const { now, rooms } = report
  const nameOf = (roomId: string) => view.report.rooms.find(({ id }) => id === roomId)?.name ?? ''
  const current = rooms.find(({ roomId }) => roomId === now?.roomId)
  const left = rooms.filter(({ heardAt }) => heardAt === null).length
  const isLast = current !== undefined && rooms.every(room => room === current || room.heardAt !== null)
  return (
    <Stack
      as="section"
      aria-label="Report back"
      gap="10px"
      w="full"
      bg="panel"
      borderWidth="1px"
      borderColor="live"
      borderRadius="8px"
      p="12px"
    >
      <Flex gap="8px 14px" align="center" wrap="wrap">
        <b>Report back</b>
        <chakra.span role="status" color="quiet">
          {left === 0
            ? 'All rooms were heard.'
            : `${rooms.length - left} of ${rooms.length} rooms were heard.`}
        </chakra.span>
        <Flex gap="8px" ml="auto" wrap="wrap">
          {(left > 0 || current) && (
            <Button kind="main" onClick={() => send({ type: 'next-room', afterId: now?.roomId ?? null })}>
              <SkipForward size={18} aria-hidden="true" />
              {!current ? 'Call the first' : isLast ? 'Heard: that was the last' : 'Heard: the next'}
            </Button>
          )}
          <Button onClick={() => send({ type: 'end-report' })}>End the report back</Button>
        </Flex>
      </Flex>
      {current && now && (
        <Box>
          <Flex gap="10px" align="baseline" wrap="wrap" mb="6px">
            <chakra.h3 fontSize="l" overflowWrap="anywhere">
              {nameOf(current.roomId)}
            </chakra.h3>
            <TimeLeft endsAt={now.endsAt} pageMadeAt={pageMadeAt} />
          </Flex>
          <Points key={current.roomId} room={current} send={send} />
        </Box>
      )}
      <Stack as="ol" listStyleType="none" gap="4px" aria-label="Rooms in order">
        {rooms.map(room => (
          <Flex as="li" key={room.roomId} gap="6px 12px" align="center" wrap="wrap">
            <chakra.span minW="180px">
              <Tick
                checked={room.heardAt !== null}
                onChange={event =>
                  send({ type: 'hear-room', roomId: room.roomId, heard: event.target.checked })
                }
              >
                <chakra.span fontWeight={room === current ? '700' : '400'} overflowWrap="anywhere">
                  {nameOf(room.roomId)}
                </chakra.span>
              </Tick>
            </chakra.span>
            <Reporter room={room} view={view} send={send} name={nameOf(room.roomId)} />
            {room === current ? (
              <chakra.span color="live" fontSize="s" fontWeight="600">
                reports now
              </chakra.span>
            ) : (
              <Button
                size="small"
                aria-label={`Call ${nameOf(room.roomId)}`}
                onClick={() => send({ type: 'call-room', roomId: room.roomId })}
              >
                Call
              </Button>
            )}
            {room.points !== '' && room !== current && (
              <chakra.span color="quiet" fontSize="s">
                <Check size={14} aria-hidden="true" style={{ display: 'inline' }} /> points taken down
              </chakra.span>
            )}
          </Flex>
        ))}
      </Stack>
    </Stack>
  )
}

function TimeLeft({ endsAt, pageMadeAt }: { endsAt: number; pageMadeAt: number }) {
  const left = endsAt - useServerNow(pageMadeAt)
  return (
    <chakra.span role="timer" fontVariantNumeric="tabular-nums" color={left < 30_000 ? 'ask' : 'ink'}>
      {left < 0 ? `${clockText(-left)} over` : `${clockText(left)} left`}
    </chakra.span>
  )
}

interface ReporterProps {
  room: ReportingRoom
  name: string
  view: LiveView
  send: Send
}

/** Who reports for a room; anybody of it can be. */
function Reporter({ room: { roomId, reporterId }, name, view, send }: ReporterProps) {
  const inRoom = new Set(view.report.rooms.find(({ id }) => id === roomId)?.peopleIds)
  const people = view.people.filter(({ id }) => id === reporterId || inRoom.has(id))
  return (
    <SmallSelect
      aria-label={`Who reports for ${name}`}
      value={reporterId ?? ''}
      onChange={event => send({ type: 'set-reporter', roomId, participantId: event.target.value || null })}
    >
      <option value="">whoever they send</option>
      {people.map(({ id, shownName }) => (
        <option key={id} value={id}>
          {shownName}
        </option>
      ))}
    </SmallSelect>
  )
}

/**
 * What is taken down of a room; kept when the field is left, or goes. What another takes down meanwhile comes in as long as nothing is
 * typed here, and stands beside what is typed here once that is kept.
 */
function Points({ room: { roomId, points }, send }: { room: ReportingRoom; send: Send }) {
  const [typed, setTyped] = useState(points)
  /** What stood there when typing began. */
  const [was, setWas] = useState(points)
  const [followed, setFollowed] = useState(points)
  const [problem, setProblem] = useState<string | null>(null)
  if (typed === was && followed !== points) {
    setFollowed(points)
    setTyped(points)
    setWas(points)
  }
  const kept = useRef({ typed, was })
  useLayoutEffect(() => {
    kept.current = { typed, was }
  })
  const keep = useCallback(async () => {
    const sent = kept.current
    if (sent.typed === sent.was) return
    setProblem(null)
    if (await send({ type: 'take-points', roomId, text: sent.typed, was: sent.was }, setProblem))
      setWas(sent.typed)
  }, [roomId, send])
  // Another may call the next room, or end it all, while something is half typed here.
  useEffect(() => () => void keep(), [keep])
  return (
    <Field
      label="Points"
      hint="For facilitators, and the review."
      errors={problem === null ? undefined : [problem]}
    >
      {parts => (
        <TextArea
          {...parts}
          rows={3}
          maxLength={LONGEST_POINTS}
          value={typed}
          onChange={event => setTyped(event.target.value)}
          onBlur={keep}
        />
      )}
    </Field>
  )
}
