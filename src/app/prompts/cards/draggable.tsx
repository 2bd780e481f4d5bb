/**
 * Cards can be dragged once the code for it is there: the board shows without waiting for it. Until then, and for those who
 * look on, the frames are plain.
 */
import { Box } from '@chakra-ui/react'
import { createContext, type ReactNode, type RefObject, useContext, useEffect, useRef, useState } from 'react'
import type * as Y from 'yjs'
import { loadAgain } from '../../ui/load-again'
import { CARD_LOOK } from './card-look'

/** The board is shown, and can be written on, before this is fetched. In milliseconds. */
const FETCH_AFTER_MS = 1_000

type Dragging = typeof import('./drag-cards')
const Loaded = createContext<Dragging | null>(null)

interface DraggableCardsProps {
  doc: Y.Doc
  promptId: string
  isOff: boolean
  children: ReactNode
}

/** Around cards: from when they can be dragged on they are drawn anew, so that waits until nobody types among them. */
export function DraggableCards({ doc, promptId, isOff, children }: DraggableCardsProps) {
  const area = useRef<HTMLDivElement>(null)
  const dragging = useWhenQuiet(area, isOff)
  return (
    <Box ref={area}>
      <Loaded value={dragging}>
        {dragging ? (
          <dragging.DragCards doc={doc} promptId={promptId}>
            {children}
          </dragging.DragCards>
        ) : (
          children
        )}
      </Loaded>
    </Box>
  )
}

function useWhenQuiet(area: RefObject<HTMLDivElement | null>, isOff: boolean): Dragging | null {
  const [dragging, setDragging] = useState<Dragging | null>(null)
  useEffect(() => {
    if (isOff) return
    const element = area.current
    let cancelled = false
    let came: Dragging | null = null
    const take = () => {
      if (came && !cancelled && !element?.contains(document.activeElement)) setDragging(came)
    }
    // Where the focus goes is known only after it has left.
    const later = () => setTimeout(take)
    element?.addEventListener('focusout', later)
    const fetching = setTimeout(() => {
      loadAgain(() => import('./drag-cards')).then(
        loaded => {
          came = loaded
          take()
        },
        // Without it cards are moved by their menu.
        () => undefined,
      )
    }, FETCH_AFTER_MS)
    return () => {
      cancelled = true
      clearTimeout(fetching)
      element?.removeEventListener('focusout', later)
    }
  }, [area, isOff])
  return dragging
}

interface ColumnFrameProps {
  place: number
  isAlone: boolean
  children: ReactNode
}

/** A column that cards can be let go in. */
export function ColumnFrame({ place, isAlone, children }: ColumnFrameProps) {
  const dragging = useContext(Loaded)
  if (dragging) {
    return (
      <dragging.DropColumn place={place} look={columnLook(isAlone)}>
        {children}
      </dragging.DropColumn>
    )
  }
  return <Box {...columnLook(isAlone)}>{children}</Box>
}

/** Without a frame of its own when it is the only one. */
const columnLook = (isAlone: boolean) => ({
  bg: isAlone ? undefined : 'sunk',
  borderRadius: '8px',
  p: isAlone ? '0' : '8px',
  minW: '0',
})

/** The frame of a card. */
export function CardFrame({ id, children }: { id: string; children: ReactNode }) {
  const dragging = useContext(Loaded)
  if (dragging) return <dragging.DragCard id={id}>{children}</dragging.DragCard>
  return (
    <Box as="li" {...CARD_LOOK}>
      {children}
    </Box>
  )
}
