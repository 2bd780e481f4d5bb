/**
 * Cards are dragged by their handle: onto a column's free space to its end, before the card in whose upper half they are let go,
 * onto the lower half to join it in a heap. Everything a drag does can be done from the menu of a card too.
 */
import { DndContext, type DragEndEvent, pointerWithin, useDraggable, useDroppable } from '@dnd-kit/core'
import { useLayoutEffect, useSyncExternalStore } from 'react'
import type * as Y from 'yjs'
import { joinHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { cardMap } from '~/core/boards/prompts/cards/document'
import { dragSaid, useDragSensors } from '../../ui/dragging'
import type { DragListeners, DragPlace, DragPlaces } from './drag-places'

const COLUMN = 'column-'

interface DragCardsProps {
  doc: Y.Doc
  promptId: string
  places: DragPlaces
}

export function DragCards({ doc, promptId, places }: DragCardsProps) {
  const drawn = useSyncExternalStore(places.subscribe, places.list, places.list)
  const sensors = useDragSensors()
  const columnOf = (id: string) => Number(cardMap(doc, promptId, id)?.get('column') ?? 0)
  const drop = ({ active, over, collisions }: DragEndEvent) => {
    const dragged = String(active.id)
    // Of a card and the column it lies in, the card is meant.
    const onto = collisions?.map(({ id }) => String(id)).find(id => !id.startsWith(COLUMN) && id !== dragged)
    if (onto !== undefined) {
      const rect = over && collisions?.find(({ id }) => id === onto)?.data?.droppableContainer.rect.current
      const middle = active.rect.current.translated
      const isLow = rect && middle && middle.top + middle.height / 2 > rect.top + rect.height / 2
      if (isLow) joinHeap(doc, promptId, dragged, onto, crypto.randomUUID())
      else moveCard(doc, promptId, dragged, columnOf(onto), onto)
      return
    }
    if (over) moveCard(doc, promptId, dragged, Number(String(over.id).replace(COLUMN, '')) || 0, null)
  }
  return (
    <DndContext
      id={`cards-${promptId}`}
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{
        announcements: dragSaid('The card'),
        screenReaderInstructions: { draggable: 'Press Move on the card for where it can go.' },
      }}
      onDragEnd={drop}
    >
      {drawn.map(place =>
        place.id.startsWith(COLUMN) ? (
          <ColumnAgent key={place.id} place={place} />
        ) : (
          <CardAgent key={place.id} place={place} />
        ),
      )}
    </DndContext>
  )
}

/** Lets cards be dropped in a column. */
function ColumnAgent({ place: { id, element } }: { place: DragPlace }) {
  const { setNodeRef, isOver } = useDroppable({ id })
  useLayoutEffect(() => setNodeRef(element.current))
  useLayoutEffect(
    () => shown(element.current, { background: isOver ? 'var(--liveWash)' : '' }),
    [element, isOver],
  )
  return null
}

/** Lets a card be dragged, and others be dropped on it. */
function CardAgent({ place: { id, element, listeners } }: { place: DragPlace }) {
  const drag = useDraggable({ id })
  const drop = useDroppable({ id })
  const { transform, isDragging } = drag
  const isTarget = drop.isOver && !isDragging
  useLayoutEffect(() => {
    drag.setNodeRef(element.current)
    drop.setNodeRef(element.current)
    listeners.current = drag.listeners as DragListeners
  })
  useLayoutEffect(
    () =>
      shown(element.current, {
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : '',
        zIndex: isDragging ? '1' : '',
        borderColor: isTarget ? 'var(--live)' : '',
      }),
    [element, transform, isDragging, isTarget],
  )
  return null
}

/** Shows an element so until it is shown otherwise. */
function shown(element: HTMLElement | null, style: Partial<CSSStyleDeclaration>): () => void {
  if (element) Object.assign(element.style, style)
  return () => {
    for (const name of Object.keys(style)) element?.style.setProperty(hyphened(name), '')
  }
}

const hyphened = (name: string) => name.replace(/[A-Z]/g, letter => `-${letter.toLowerCase()}`)
