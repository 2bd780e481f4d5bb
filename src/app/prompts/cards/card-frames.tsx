import { Box } from '@chakra-ui/react'
import type { ReactNode, RefObject } from 'react'
import type * as Y from 'yjs'
import { joinHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { cardMap } from '~/core/boards/prompts/cards/document'
import { newId } from '../../ui/by-chance'
import type { Dropped } from '../dragging/drag-places'
import { DragHandle, useDragPlace, useDropSpace } from '../dragging/draggable'
import { CARD_LOOK } from './card-look'

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

/** The frame of a card, with the handle it is dragged by. */
export function CardFrame({ id, children }: { id: string; children: ReactNode }) {
  const { element, listeners, isOff } = useDragPlace(id)
  return (
    <Box as="li" {...CARD_LOOK} data-card={id} ref={element as RefObject<HTMLDivElement | null>}>
      <Box position="absolute" top="4px" right="2px">
        <DragHandle listeners={listeners} isOff={isOff} />
      </Box>
      {children}
    </Box>
  )
}

/** Onto a column's free space to its end, before the card in whose upper half it is let go, onto the lower half into its heap. */
export function dropCard(doc: Y.Doc, promptId: string, { dragged, onto, isLow, space }: Dropped): void {
  if (onto === null) {
    if (space !== null) moveCard(doc, promptId, dragged, space, null)
  } else if (isLow) joinHeap(doc, promptId, dragged, onto, newId())
  else moveCard(doc, promptId, dragged, Number(cardMap(doc, promptId, onto)?.get('column') ?? 0), onto)
}
