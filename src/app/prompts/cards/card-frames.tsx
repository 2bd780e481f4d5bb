import { Box } from '@chakra-ui/react'
import { type ReactNode, type RefObject, useRef } from 'react'
import { DragHandle, useDragPlace, useDropSpace } from '../dragging/draggable'
import { type Drawn, type RunsInSight, useDrawn } from './runs-in-sight'

interface ColumnFrameProps {
  place: number
  isAlone: boolean
  children: ReactNode
}

/** A column that cards can be let go in; without a frame of its own when it is the only one. */
export function ColumnFrame({ place, isAlone, children }: ColumnFrameProps) {
  const { element } = useDropSpace(place)
  return (
    <Box
      ref={element as RefObject<HTMLDivElement | null>}
      bg={isAlone ? undefined : 'sunk'}
      borderRadius="8px"
      p={isAlone ? '0' : '8px'}
      minW="0"
    >
      {children}
    </Box>
  )
}

interface CardFrameProps {
  id: string
  runs: RunsInSight
  /** In its column. */
  place: number
  children: (drawn: Drawn) => ReactNode
}

/** The frame of a card, with the handle it is dragged by. It says how much of the card is drawn. */
export function CardFrame({ id, runs, place, children }: CardFrameProps) {
  const frame = useRef<HTMLLIElement>(null)
  const drawn = useDrawn(runs, place, frame)
  return (
    <li className="card" data-card={id} ref={frame}>
      {drawn === 'whole' && <CardHandle id={id} frame={frame} />}
      {children(drawn)}
    </li>
  )
}

function CardHandle({ id, frame }: { id: string; frame: RefObject<HTMLElement | null> }) {
  const { onGrip, isOff } = useDragPlace(id, frame)
  return (
    <div className="card-handle">
      <DragHandle onGrip={onGrip} isOff={isOff} />
    </div>
  )
}
