import { Box, chakra, Flex } from '@chakra-ui/react'
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

const LOOK = { whole: 'sunk', rooms: 'liveWash', break: 'panel' } as const

/**
 * The segments to scale, time running to the right: chosen by a press, lengthened by their right edge or by + and -, moved by
 * dragging or with Alt and an arrow key.
 */
export function OrderRibbon(props: RibbonProps) {
  const { segments, startsAt, timeZone, minutes, chosenId, concerned, onChoose, onChange } = props
  const strip = useRef<HTMLDivElement>(null)
  const [drawn, setDrawn] = useState<{ id: string; minutes: number } | null>(null)
  // A press is a press; only a pull of some pixels is a drag.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }))
  const shown = drawn ? withLength(segments, drawn.id, drawn.minutes) : segments
  const total = Math.max(1, totalMinutes(shown))
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
              share={segment.minutes / total}
              begins={timeOfDay(startsAt + (times[index]?.from ?? 0) * 60_000, timeZone)}
              isOver={minutes !== null && (times[index]?.to ?? 0) > minutes}
              isChosen={segment.id === chosenId}
              isConcerned={concerned.has(segment.id)}
              onChoose={() => onChoose(segment.id)}
              onKey={(key, alt) => {
                if (key === '+' || key === '=') lengthen(segment.id, 1)
                else if (key === '-') lengthen(segment.id, -1)
                else if (key === 'ArrowRight') alt ? move(segment.id, 1) : go(index, 1)
                else if (key === 'ArrowLeft') alt ? move(segment.id, -1) : go(index, -1)
                else return false
                return true
              }}
              onPull={(pixels, done) => {
                const width = strip.current?.clientWidth ?? 1
                const wanted = (segments[index]?.minutes ?? 1) + (pixels / width) * totalMinutes(segments)
                if (!done) return setDrawn({ id: segment.id, minutes: wanted })
                setDrawn(null)
                onChange(withLength(segments, segment.id, wanted))
              }}
            />
          ))}
        </Flex>
      </Box>
    </DndContext>
  )
}

export const segmentId = (id: string) => `segment-${id}`

interface SegmentProps {
  segment: Segment
  share: number
  begins: string
  /** It ends after the session should. */
  isOver: boolean
  isChosen: boolean
  isConcerned: boolean
  onChoose: () => void
  /** Whether the key did something. */
  onKey: (key: string, alt: boolean) => boolean
  /** How far its edge is pulled, in pixels, and whether it was let go. */
  onPull: (pixels: number, done: boolean) => void
}

const RibbonSegment = memo(function RibbonSegment(props: SegmentProps) {
  const { segment, share, begins, isOver, isChosen, isConcerned, onChoose, onKey, onPull } = props
  const { setNodeRef: dropRef } = useDroppable({ id: segment.id })
  const { setNodeRef: dragRef, listeners, transform, isDragging } = useDraggable({ id: segment.id })
  const name = segmentName(segment)
  return (
    <chakra.li
      ref={dropRef}
      position="relative"
      minW="64px"
      style={{ flex: `${Math.max(0.001, share)} 1 0` }}
      zIndex={isDragging ? 3 : undefined}
    >
      <chakra.button
        type="button"
        ref={dragRef}
        {...listeners}
        id={segmentId(segment.id)}
        w="full"
        h="72px"
        px="8px"
        py="6px"
        textAlign="left"
        overflow="hidden"
        borderRadius="6px"
        borderWidth="2px"
        borderStyle={segment.kind === 'break' ? 'dashed' : 'solid'}
        borderColor={isChosen ? 'live' : 'edge'}
        bg={LOOK[segment.kind]}
        color="ink"
        cursor="pointer"
        touchAction="none"
        style={transform ? { transform: `translateX(${transform.x}px)` } : undefined}
        aria-pressed={isChosen}
        aria-label={`${name}, ${segment.minutes} min from ${begins}${isOver ? ', after the end of the session' : ''}${isConcerned ? ', needs a look' : ''}`}
        onClick={onChoose}
        onKeyDown={event => {
          if (onKey(event.key, event.altKey)) event.preventDefault()
          else listeners?.onKeyDown?.(event)
        }}
      >
        <chakra.b display="block" whiteSpace="nowrap" overflow="hidden" textOverflow="ellipsis">
          {isConcerned && <chakra.span color="ask">● </chakra.span>}
          {name}
        </chakra.b>
        <chakra.span display="block" fontSize="s" fontVariantNumeric="tabular-nums" whiteSpace="nowrap">
          {segment.minutes} min
        </chakra.span>
        <chakra.span
          display="block"
          fontSize="s"
          color={isOver ? 'ask' : 'quiet'}
          fontVariantNumeric="tabular-nums"
        >
          {begins}
        </chakra.span>
      </chakra.button>
      <Edge onPull={onPull} />
    </chakra.li>
  )
})

/** The right edge of a segment, to pull; what it does is done by + and - on the segment as well. */
function Edge({ onPull }: Pick<SegmentProps, 'onPull'>) {
  const from = useRef<number | null>(null)
  const pulled = (event: PointerEvent, done: boolean) => {
    if (from.current === null) return
    const pixels = event.clientX - from.current
    if (done) from.current = null
    onPull(pixels, done)
  }
  return (
    <Box
      data-edge=""
      position="absolute"
      top="0"
      right="-3px"
      w="9px"
      h="72px"
      cursor="ew-resize"
      touchAction="none"
      zIndex="2"
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
