/**
 * Cards are dragged by their handle: onto a column's free space to its end, before the card in whose upper half they are let go,
 * onto the lower half to join it in a heap. Everything a drag does can be done from the menu of a card too.
 */
import { Box, type BoxProps } from '@chakra-ui/react'
import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { GripVertical } from 'lucide-react'
import type { ReactNode } from 'react'
import type * as Y from 'yjs'
import { joinHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { cardMap } from '~/core/boards/prompts/cards/document'
import { CARD_LOOK } from './card-look'

interface DragCardsProps {
  doc: Y.Doc
  promptId: string
  children: ReactNode
}

export function DragCards({ doc, promptId, children }: DragCardsProps) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    // A finger that stays takes the card along; one that moves at once scrolls the page.
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  )
  const columnOf = (id: string) => Number(cardMap(doc, promptId, id)?.get('column') ?? 0)
  const drop = ({ active, over, collisions }: DragEndEvent) => {
    const dragged = String(active.id)
    // Of a card and the column it lies in, the card is meant.
    const onto = collisions
      ?.map(({ id }) => String(id))
      .find(id => !id.startsWith('column-') && id !== dragged)
    if (onto !== undefined) {
      const rect = over && collisions?.find(({ id }) => id === onto)?.data?.droppableContainer.rect.current
      const middle = active.rect.current.translated
      const isLow = rect && middle && middle.top + middle.height / 2 > rect.top + rect.height / 2
      if (isLow) joinHeap(doc, promptId, dragged, onto, crypto.randomUUID())
      else moveCard(doc, promptId, dragged, columnOf(onto), onto)
      return
    }
    if (over) moveCard(doc, promptId, dragged, Number(String(over.id).replace('column-', '')) || 0, null)
  }
  return (
    <DndContext
      id={`cards-${promptId}`}
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{
        screenReaderInstructions: { draggable: 'Press Move on the card for where it can go.' },
      }}
      onDragEnd={drop}
    >
      {children}
    </DndContext>
  )
}

/** A column that cards can be let go in. */
export function DropColumn({
  place,
  look,
  children,
}: {
  place: number
  look: BoxProps
  children: ReactNode
}) {
  const { setNodeRef, isOver } = useDroppable({ id: `column-${place}` })
  return (
    <Box ref={setNodeRef} {...look} {...(isOver && { bg: 'liveWash' })}>
      {children}
    </Box>
  )
}

/** A card with the handle it is dragged by. */
export function DragCard({ id, children }: { id: string; children: ReactNode }) {
  const drag = useDraggable({ id })
  const drop = useDroppable({ id })
  return (
    <Box
      as="li"
      {...CARD_LOOK}
      ref={(node: HTMLElement | null) => {
        drag.setNodeRef(node)
        drop.setNodeRef(node)
      }}
      borderColor={drop.isOver && !drag.isDragging ? 'live' : undefined}
      zIndex={drag.isDragging ? 1 : undefined}
      style={
        drag.transform ? { transform: `translate(${drag.transform.x}px, ${drag.transform.y}px)` } : undefined
      }
    >
      <Box
        position="absolute"
        top="4px"
        right="2px"
        color="quiet"
        cursor="grab"
        minW="24px"
        minH="24px"
        aria-hidden="true"
        {...drag.listeners}
      >
        <GripVertical size={18} />
      </Box>
      {children}
    </Box>
  )
}
