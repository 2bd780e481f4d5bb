/**
 * Cards can be dragged once the code for it is there: the board shows without waiting for it. Cards and columns say where they
 * are, and what makes them draggable stands beside them and draws nothing: nothing among them is drawn anew when it comes.
 */
import { Box } from '@chakra-ui/react'
import { GripVertical } from 'lucide-react'
import { createContext, type ReactNode, type RefObject, useContext, useEffect, useRef, useState } from 'react'
import type * as Y from 'yjs'
import { loadAgain } from '../../ui/load-again'
import { CARD_LOOK } from './card-look'
import { type DragListeners, DragPlaces } from './drag-places'

/** The board is shown, and can be written on, before this is fetched. In milliseconds. */
const FETCH_AFTER_MS = 1_000

/** Where cards and columns say where they are; null where nothing is dragged. */
const Places = createContext<DragPlaces | null>(null)

interface DraggableCardsProps {
  doc: Y.Doc
  promptId: string
  /** For those who look on. */
  isOff: boolean
  children: ReactNode
}

/** Around cards: from when the code for it has come they can be dragged. */
export function DraggableCards({ doc, promptId, isOff, children }: DraggableCardsProps) {
  const [places] = useState(() => new DragPlaces())
  const dragging = useDragging(isOff)
  return (
    <Places value={isOff ? null : places}>
      {children}
      {dragging && <dragging.DragCards doc={doc} promptId={promptId} places={places} />}
    </Places>
  )
}

function useDragging(isOff: boolean) {
  const [dragging, setDragging] = useState<typeof import('./drag-cards') | null>(null)
  useEffect(() => {
    if (isOff) return
    let cancelled = false
    const fetching = setTimeout(() => {
      loadAgain(() => import('./drag-cards')).then(
        loaded => !cancelled && setDragging(loaded),
        // Without it cards are moved by their menu.
        () => undefined,
      )
    }, FETCH_AFTER_MS)
    return () => {
      cancelled = true
      clearTimeout(fetching)
    }
  }, [isOff])
  return isOff ? null : dragging
}

/** Says where a card or column is, for as long as it is there. */
function usePlace(id: string): {
  element: RefObject<HTMLElement | null>
  listeners: RefObject<DragListeners>
  isOff: boolean
} {
  const places = useContext(Places)
  const element = useRef<HTMLElement>(null)
  const listeners = useRef<DragListeners>(undefined)
  useEffect(() => places?.add({ id, element, listeners }), [places, id])
  return { element, listeners, isOff: places === null }
}

interface ColumnFrameProps {
  place: number
  isAlone: boolean
  children: ReactNode
}

/** A column that cards can be let go in; without a frame of its own when it is the only one. */
export function ColumnFrame({ place, isAlone, children }: ColumnFrameProps) {
  const { element } = usePlace(`column-${place}`)
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

/** The frame of a card, with the handle it is dragged by. */
export function CardFrame({ id, children }: { id: string; children: ReactNode }) {
  const { element, listeners, isOff } = usePlace(id)
  return (
    <Box as="li" {...CARD_LOOK} ref={element as RefObject<HTMLDivElement | null>}>
      {!isOff && (
        <Box
          position="absolute"
          top="4px"
          right="2px"
          color="quiet"
          cursor="grab"
          minW="24px"
          minH="24px"
          aria-hidden="true"
          onMouseDown={event => listeners.current?.onMouseDown?.(event)}
          onTouchStart={event => listeners.current?.onTouchStart?.(event)}
        >
          <GripVertical size={18} />
        </Box>
      )}
      {children}
    </Box>
  )
}
