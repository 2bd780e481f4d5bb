import { Box, chakra, Flex } from '@chakra-ui/react'
import { Plus, Undo2 } from 'lucide-react'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import type { RehearsalReport } from '~/core/rehearsal/report'
import { LEAST, leaveOut, shorten } from '~/core/schedule/overrun'
import { type Concern, groupingRound, type PlanWorld, readiness } from '~/core/schedule/readiness'
import {
  MOST_SEGMENTS,
  newSegment,
  orderOfRounds,
  type Segment,
  type SegmentKind,
  segmentName,
  totalMinutes,
  withLength,
  without,
} from '~/core/schedule/running-order'
import { timeOfDay } from '~/core/schedule/session-time'
import { Button } from '../../../ui/button'
import { newId } from '../../../ui/by-chance'
import { Input } from '../../../ui/fields'
import { Message, Section } from '../../../ui/layout'
import { Rehearse } from '../rehearsal/rehearse'
import { Rehearsed } from '../rehearsal/rehearsed'
import type { OrderKeeping } from './order-keeping'
import { OrderRibbon } from './order-ribbon'
import { ReadinessList } from './readiness-list'
import { SegmentLine } from './segment-line'
import { useOrder, useOrderState } from './use-order'

export interface RunningOrderProps {
  sessionId: string
  segments: Segment[]
  minutes: number | null
  /** Milliseconds since 1970. */
  startsAt: number
  timeZone: string
  groupingId: string | null
  world: PlanWorld
  /** What the last rehearsal showed. */
  rehearsed: RehearsalReport | null
}

/** The plan as a ribbon of segments: what stands when and how long, what would go wrong, and what could give. */
export function RunningOrder(props: RunningOrderProps) {
  const { startsAt, timeZone, world } = props
  const order = useOrder(`/sessions/${props.sessionId}/order`, {
    segments: props.segments,
    minutes: props.minutes,
  })
  const { segments, set } = order
  const [chosenId, setChosenId] = useState<string | null>(null)
  // What would go wrong is worked out and drawn once the change itself is seen.
  const concerns = useConcerns(useDeferredValue(segments), order.minutes, world)
  // Its sentence has a field for each word: it is drawn in parts, so that the page answers meanwhile.
  const saidId = useDeferredValue(chosenId)
  const chosen = segments.find(({ id }) => id === saidId)
  const earlier = useMemo(
    () =>
      segments.slice(
        0,
        Math.max(
          0,
          segments.findIndex(({ id }) => id === saidId),
        ),
      ),
    [segments, saidId],
  )
  const concerned = useMemo(() => new Set(concerns.flatMap(({ segmentId }) => segmentId ?? [])), [concerns])
  // The same functions for every list, so that keeping a change draws nothing again.
  const change = useCallback(
    (segmentId: string, part: Partial<Segment>) =>
      set(now => now.map(one => (one.id === segmentId ? { ...one, ...part } : one))),
    [set],
  )
  const remove = useCallback(
    (segmentId: string) => {
      set(now => without(now, segmentId))
      setChosenId(null)
    },
    [set],
  )
  const ends = timeOfDay(startsAt + totalMinutes(segments) * 60_000, timeZone)
  const over = order.minutes === null ? 0 : totalMinutes(segments) - order.minutes
  const add = (kind: SegmentKind) => {
    const before = segments.findLast(one => one.kind === 'rooms')
    const fresh = { ...newSegment(newId(), kind), boardId: before?.boardId ?? null }
    const place = chosen ? segments.indexOf(chosen) + 1 : segments.length
    set([...segments.slice(0, place), fresh, ...segments.slice(place)])
    setChosenId(fresh.id)
  }
  return (
    <Section title="Running order">
      <Flex gap="8px 12px" align="center" wrap="wrap" mb="10px">
        <chakra.span fontVariantNumeric="tabular-nums">
          {timeOfDay(startsAt, timeZone)} to <b>{ends}</b>, {totalMinutes(segments)} min
        </chakra.span>
        <SessionMinutes minutes={order.minutes} onKeep={order.setMinutes} />
        <Kept keeping={order.keeping} />
        <Flex gap="6px" ml="auto" wrap="wrap">
          {order.undo && (
            <Button size="small" onClick={order.undo}>
              <Undo2 size={16} aria-hidden="true" /> Undo
            </Button>
          )}
          {segments.length < MOST_SEGMENTS &&
            ADD.map(([kind, words]) => (
              <Button key={kind} size="small" onClick={() => add(kind)}>
                <Plus size={16} aria-hidden="true" /> {words}
              </Button>
            ))}
        </Flex>
      </Flex>
      <NotKept keeping={order.keeping} />
      {over > 0 && <WhatCouldGive segments={segments} over={over} onChange={set} />}
      <OrderRibbon
        segments={segments}
        startsAt={startsAt}
        timeZone={timeZone}
        minutes={order.minutes}
        chosenId={chosenId}
        concerned={concerned}
        onChoose={setChosenId}
        onChange={set}
      />
      <LayOut {...props} segments={segments} onChange={set} />
      {chosen && (
        // Out of reach while another comes: nothing is written into the one before.
        <Box visibility={saidId === chosenId ? undefined : 'hidden'}>
          <SegmentLine
            key={chosen.id}
            segment={chosen}
            earlier={earlier}
            world={world}
            onChange={change}
            onRemove={remove}
          />
        </Box>
      )}
      <ReadinessList concerns={concerns} onShow={setChosenId} />
      <Rehearsed
        sessionId={props.sessionId}
        report={props.rehearsed}
        segments={segments}
        onShow={setChosenId}
      />
      <Rehearse sessionId={props.sessionId} people={world.people} />
    </Section>
  )
}

function Kept({ keeping }: { keeping: OrderKeeping }) {
  const state = useOrderState(keeping)
  return (
    <chakra.span role="status" fontWeight="600" color="live">
      {state === 'saving' ? 'Saving…' : state === 'saved' ? 'Saved.' : ''}
    </chakra.span>
  )
}

function NotKept({ keeping }: { keeping: OrderKeeping }) {
  const state = useOrderState(keeping)
  if (typeof state !== 'object') return null
  return (
    <Box mb="10px">
      <Message kind="problem">{state.problem}</Message>
    </Box>
  )
}

const ADD = [
  ['whole', 'Whole group'],
  ['rooms', 'Rooms'],
  ['break', 'Break'],
] as const

function useConcerns(segments: Segment[], minutes: number | null, world: PlanWorld): Concern[] {
  const facts = useMemo(
    () => ({
      minutes,
      rounds: new Map(
        world.groupings.flatMap(({ id, rounds }) =>
          rounds.map((round, index) => [groupingRound(id, index), round] as const),
        ),
      ),
      boards: new Map(world.boards.map(board => [board.id, board])),
      atTheSameTime: world.atTheSameTime,
      people: world.people,
    }),
    [world, minutes],
  )
  return useMemo(() => readiness(segments, facts), [segments, facts])
}

/** How long the session may take: then what does not fit is said. */
function SessionMinutes({
  minutes,
  onKeep,
}: {
  minutes: number | null
  onKeep: (minutes: number | null) => void
}) {
  return (
    <Flex gap="6px" align="center">
      <span>The session has</span>
      <Input
        key={minutes ?? 'none'}
        aria-label="Minutes the session has"
        type="number"
        w="76px"
        minH="30px"
        py="2px"
        min={1}
        max={1440}
        defaultValue={minutes ?? ''}
        placeholder="any"
        onBlur={event => {
          const { value } = event.target
          const wanted = value === '' ? null : Number(value)
          if (wanted !== null && (!Number.isInteger(wanted) || wanted < 1 || wanted > 1440))
            event.target.value = String(minutes ?? '')
          else if (wanted !== minutes) onKeep(wanted)
        }}
        onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
      />
      <span>min.</span>
    </Flex>
  )
}

/** What the plan takes too long, and by what it would fit again. */
function WhatCouldGive({
  segments,
  over,
  onChange,
}: {
  segments: Segment[]
  over: number
  onChange: (segments: Segment[]) => void
}) {
  const stretches = segments.map(({ id, minutes, kind }) => ({
    id,
    minutes,
    least: Math.min(minutes, LEAST[kind]),
  }))
  const cuts = shorten(stretches, over)
  const out = segments.find(({ id }) => id === leaveOut(stretches, over))
  const nameOf = (id: string) =>
    segmentName(segments.find(one => one.id === id) ?? { name: '', kind: 'whole' })
  return (
    <Box mb="10px">
      <Message kind="problem">
        {over} min too long.{' '}
        {cuts
          ? `It would fit with ${cuts.map(({ id, by }) => `${by} min less of ${nameOf(id)}`).join(', ')}.`
          : 'Shortening alone does not make up for it.'}
      </Message>
      <Flex gap="8px" mt="6px" wrap="wrap">
        {cuts && (
          <Button
            size="small"
            onClick={() =>
              onChange(
                cuts.reduce(
                  (list, { id, by }) =>
                    withLength(list, id, (list.find(one => one.id === id)?.minutes ?? 0) - by),
                  segments,
                ),
              )
            }
          >
            Shorten them so
          </Button>
        )}
        {out && segments.length > 1 && (
          <Button size="small" onClick={() => onChange(without(segments, out.id))}>
            Leave out {segmentName(out)} ({out.minutes} min)
          </Button>
        )}
      </Flex>
    </Box>
  )
}

/** A grouping of several rounds lays out its segments by itself. */
function LayOut({
  segments,
  groupingId,
  world,
  onChange,
}: Pick<RunningOrderProps, 'segments' | 'groupingId' | 'world'> & {
  onChange: (segments: Segment[]) => void
}) {
  const grouping = world.groupings.find(({ id }) => id === groupingId)
  const rounds = segments.filter(({ kind }) => kind === 'rooms')
  if (!grouping || grouping.rounds.length < 2 || rounds.length >= grouping.rounds.length) return null
  const [first] = rounds
  return (
    <Button
      size="small"
      mt="8px"
      onClick={() =>
        onChange(
          orderOfRounds(newId, Math.min(grouping.rounds.length, 19), round => ({
            minutes: first?.minutes ?? 12,
            boardId: first?.boardId ?? null,
            groups: { from: 'grouping', groupingId: grouping.id, round },
          })),
        )
      }
    >
      Lay out all {grouping.rounds.length} rounds of {grouping.name}
    </Button>
  )
}
