import { Box, Flex } from '@chakra-ui/react'
import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { memo, type PointerEvent, useRef, useState } from 'react'
import {
  type Segment,
  segmentName,
  timesOf,
  totalMinutes,
  withLength,
  withMoved,
} from '~/core/schedule/running-order'
import { timeOfDay } from '~/core/schedule/session-time'
import { useSameActs } from '../../../ui/use-same'

interface RibbonProps {
  segments: Segment[]
  startsAt: number
  timeZone: string
  /** Where the session ends, in minutes from its beginning; null where nobody has said. */
  minutes: number | null
  chosenId: string | null
  concerned: ReadonlySet<string>
  onChoose: (segmentId: string) => void
  onChange: (segments: Segment[]) => void
}

/**
 * The segments to scale, time running to the right: chosen by a press, lengthened by their right edge or by + and -, moved by
 * dragging or with Alt and an arrow key.
 */
export const OrderRibbon = memo(function OrderRibbon(props: RibbonProps) {
  const { segments, startsAt, timeZone, minutes, chosenId, concerned, onChoose, onChange } = props
  const strip = useRef<HTMLDivElement>(null)
  const [drawn, setDrawn] = useState<{ id: string; minutes: number } | null>(null)
  // A press is a press; only a pull of some pixels is a drag.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }))
  const shown = drawn ? withLength(segments, drawn.id, drawn.minutes) : segments
  const times = timesOf(shown)
  const lengthen = (id: string, by: number) => {
    const segment = segments.find(one => one.id === id)
    if (segment) onChange(withLength(segments, id, segment.minutes + by))
  }
  const move = (id: string, by: number) =>
    onChange(withMoved(segments, id, segments.findIndex(one => one.id === id) + by))
  const dropped = ({ active, over }: DragEndEvent) => {
    const to = segments.findIndex(({ id }) => id === over?.id)
    if (to >= 0 && over?.id !== active.id) onChange(withMoved(segments, String(active.id), to))
  }
  const go = (from: number, by: number) => {
    const next = segments[from + by]
    if (!next) return
    onChoose(next.id)
    requestAnimationFrame(() => document.getElementById(segmentId(next.id))?.focus())
  }
  const does: Acts = {
    choose: onChoose,
    key: (id, key, alt) => {
      const index = segments.findIndex(one => one.id === id)
      if (key === '+' || key === '=') lengthen(id, 1)
      else if (key === '-') lengthen(id, -1)
      else if (key === 'ArrowRight') alt ? move(id, 1) : go(index, 1)
      else if (key === 'ArrowLeft') alt ? move(id, -1) : go(index, -1)
      else return false
      return true
    },
    pull: (id, pixels, done) => {
      const width = strip.current?.clientWidth ?? 1
      const segment = segments.find(one => one.id === id)
      const wanted = (segment?.minutes ?? 1) + (pixels / width) * totalMinutes(segments)
      if (!done) return setDrawn({ id, minutes: wanted })
      setDrawn(null)
      onChange(withLength(segments, id, wanted))
    },
  }
  const act = useSameActs(does)
  return (
    <DndContext id="running-order" sensors={sensors} onDragEnd={dropped}>
      <Box position="relative">
        <Flex
          ref={strip}
          gap="2px"
          as="ol"
          listStyleType="none"
          aria-label="Segments"
          overflowX="auto"
          pb="4px"
        >
          {shown.map((segment, index) => (
            <RibbonSegment
              key={segment.id}
              segment={segment}
              begins={timeOfDay(startsAt + (times[index]?.from ?? 0) * 60_000, timeZone)}
              isOver={minutes !== null && (times[index]?.to ?? 0) > minutes}
              isChosen={segment.id === chosenId}
              isConcerned={concerned.has(segment.id)}
              act={act}
            />
          ))}
        </Flex>
      </Box>
    </DndContext>
  )
})

export const segmentId = (id: string) => `segment-${id}`

/** What can be done with a segment, by its id. */
type Acts = {
  choose: (id: string) => void
  /** Whether the key did something. */
  key: (id: string, key: string, alt: boolean) => boolean
  /** How far its edge is pulled, in pixels, and whether it was let go. */
  pull: (id: string, pixels: number, done: boolean) => void
}

interface SegmentProps {
  segment: Segment
  begins: string
  /** It ends after the session should. */
  isOver: boolean
  isChosen: boolean
  isConcerned: boolean
  act: Acts
}

/** Plain elements with classes of the theme: there may be forty, and a minute more moves all that come after. */
const RibbonSegment = memo(function RibbonSegment(props: SegmentProps) {
  const { segment, begins, isOver, isChosen, isConcerned, act } = props
  const { id, kind, minutes } = segment
  const { setNodeRef: dropRef } = useDroppable({ id })
  const { setNodeRef: dragRef, listeners, transform, isDragging } = useDraggable({ id })
  const name = segmentName(segment)
  return (
    <li
      ref={dropRef}
      className="ribbon-place"
      style={{ flex: `${minutes} 1 0`, zIndex: isDragging ? 3 : undefined }}
    >
      <button
        type="button"
        ref={dragRef}
        {...listeners}
        id={segmentId(id)}
        className="ribbon-segment"
        data-kind={kind}
        style={transform ? { transform: `translateX(${transform.x}px)` } : undefined}
        aria-pressed={isChosen}
        aria-label={`${name}, ${minutes} min from ${begins}${isOver ? ', after the end of the session' : ''}${isConcerned ? ', needs a look' : ''}`}
        onClick={() => act.choose(id)}
        onKeyDown={event => {
          if (act.key(id, event.key, event.altKey)) event.preventDefault()
          else listeners?.onKeyDown?.(event)
        }}
      >
        <b>
          {isConcerned && <span className="ribbon-concern">● </span>}
          {name}
        </b>
        <span>{minutes} min</span>
        <span className={isOver ? 'ribbon-concern' : 'ribbon-quiet'}>{begins}</span>
      </button>
      <Edge onPull={(pixels, done) => act.pull(id, pixels, done)} />
    </li>
  )
})

/** The right edge of a segment, to pull; what it does is done by + and - on the segment as well. */
function Edge({ onPull }: { onPull: (pixels: number, done: boolean) => void }) {
  const from = useRef<number | null>(null)
  const pulled = (event: PointerEvent, done: boolean) => {
    if (from.current === null) return
    const pixels = event.clientX - from.current
    if (done) from.current = null
    onPull(pixels, done)
  }
  return (
    <div
      data-edge=""
      className="ribbon-edge"
      aria-hidden="true"
      onPointerDown={event => {
        event.preventDefault()
        event.currentTarget.setPointerCapture(event.pointerId)
        from.current = event.clientX
      }}
      onPointerMove={event => pulled(event, false)}
      onPointerUp={event => pulled(event, true)}
      onPointerCancel={() => {
        from.current = null
      }}
    />
  )
}
