import { Flex } from '@chakra-ui/react'
import { sum } from 'lodash-es'
import { useEffect, useState } from 'react'
import type { RoomWorkNow } from '~/contracts/live'
import { inOrder, reporterOf } from '~/core/live/report/order'
import type { ReporterRule, ReportOrder } from '~/core/live/report/report'
import { randomStream } from '~/core/random/random'
import type { LiveView, Send } from '../../../live/live-view'
import { Button } from '../../../ui/button'
import { newSeed } from '../../../ui/by-chance'
import { Field, Select, Tick } from '../../../ui/fields'

interface BeginReportProps {
  sessionId: string
  view: LiveView
  work: Readonly<Record<string, RoomWorkNow>>
  onClose: () => void
  send: Send
}

const ORDER_WORDS: Record<ReportOrder, string> = {
  plan: 'as planned',
  chance: 'by chance',
  most: 'most work first',
  rarest: 'the rarest answer first',
  unheard: 'heard least first',
}
const REPORTER_WORDS: Record<ReporterRule, string> = {
  role: 'who has the role of it',
  turn: 'who did so least today',
  weeks: 'who did so least over the weeks',
}
const TIMES = [60, 90, 120, 180, 300, 600]

/** In which order rooms report, who for each, and how long. */
export function BeginReport({ sessionId, view, work, onClose, send }: BeginReportProps) {
  const [order, setOrder] = useState<ReportOrder>('plan')
  const [rule, setRule] = useState<ReporterRule>('role')
  const [seconds, setSeconds] = useState('120')
  const [onPages, setOnPages] = useState(false)
  const before = useReportedBefore(sessionId)
  const { questionNow: asked } = view
  const byRoom =
    asked?.results.by === 'room' ? new Map(asked.named.map(({ name, answer }) => [name, answer])) : null
  const begin = async () => {
    const inRoom = new Map(view.report.rooms.map(({ id, peopleIds }) => [id, new Set(peopleIds)]))
    const peopleOf = (roomId: string) => view.people.filter(({ id }) => inRoom.get(roomId)?.has(id))
    const all = view.report.rooms.map(({ id, name }) => ({
      id,
      pieces: sum(Object.values(work[id]?.prompts ?? {}).map(({ pieces }) => pieces)),
      heard: view.report.heard.rooms[id] ?? 0,
      answer: byRoom?.get(name) ?? null,
    }))
    // Where nobody was and nothing stands there is nothing to hear.
    const rooms = all.filter(({ id, pieces }) => pieces > 0 || peopleOf(id).length > 0)
    const reporterIn = (roomId: string) =>
      reporterOf(
        peopleOf(roomId).map(({ id, shownName }) => ({
          id,
          shownName,
          isReporter: view.rolesBefore[id] === 'reporter',
          now: view.report.heard.people[id] ?? 0,
          before: before[id] ?? 0,
        })),
        rule,
      )
    const began = await send({
      type: 'begin-report',
      secondsEach: Number(seconds),
      onPages,
      rooms: inOrder(rooms.length > 0 ? rooms : all, order, randomStream(newSeed())).map(roomId => ({
        roomId,
        reporterId: reporterIn(roomId),
      })),
    })
    if (began) onClose()
  }
  return (
    <>
      <Flex gap="8px 16px" wrap="wrap" align="flex-end">
        <Field label="Rooms are heard">
          {parts => (
            <Select
              {...parts}
              autoFocus
              value={order}
              onChange={event => setOrder(event.target.value as ReportOrder)}
            >
              {Object.entries(ORDER_WORDS).map(([value, words]) => (
                <option key={value} value={value} disabled={value === 'rarest' && !byRoom}>
                  {words}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Who reports">
          {parts => (
            <Select {...parts} value={rule} onChange={event => setRule(event.target.value as ReporterRule)}>
              {Object.entries(REPORTER_WORDS).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Time of each">
          {parts => (
            <Select {...parts} value={seconds} onChange={event => setSeconds(event.target.value)}>
              {TIMES.map(time => (
                <option key={time} value={time}>
                  {time === 90 ? '1½ minutes' : time === 60 ? '1 minute' : `${time / 60} minutes`}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Tick checked={onPages} onChange={event => setOnPages(event.target.checked)}>
          Boards on every page too
        </Tick>
      </Flex>
      <Flex gap="8px">
        <Button kind="main" onClick={begin}>
          Begin the report back
        </Button>
        <Button onClick={onClose}>Not now</Button>
      </Flex>
    </>
  )
}

/** How often people of this session have reported in earlier ones, by participant id. */
function useReportedBefore(sessionId: string): Readonly<Record<string, number>> {
  const [before, setBefore] = useState<Record<string, number>>({})
  useEffect(() => {
    const abort = new AbortController()
    fetch(`/sessions/${sessionId}/reported`, { signal: abort.signal })
      .then(answer => answer.json())
      .then(
        ({ reported }) => setBefore(reported),
        // Without it everybody counts as one who has not.
        () => undefined,
      )
    return () => abort.abort()
  }, [sessionId])
  return before
}
