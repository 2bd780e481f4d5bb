/** Drags the things under a prompt by their handles. Everything a drag does can be done by a button too. */
import { DndContext, type DragEndEvent, pointerWithin, useDraggable, useDroppable } from '@dnd-kit/core'
import { useLayoutEffect, useSyncExternalStore } from 'react'
import { dragSaid, useDragSensors } from '../../ui/dragging'
import { type DragListeners, type DragPlace, type DragPlaces, type Dropped, SPACE } from './drag-places'

interface DragAgentsProps {
  id: string
  what: string
  instead: string
  places: DragPlaces
  onDrop: (dropped: Dropped) => void
}

export function DragAgents({ id, what, instead, places, onDrop }: DragAgentsProps) {
  const drawn = useSyncExternalStore(places.subscribe, places.list, places.list)
  const sensors = useDragSensors()
  return (
    <DndContext
      id={`dragging-${id}`}
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{
        announcements: dragSaid(what),
        screenReaderInstructions: { draggable: instead },
      }}
      onDragEnd={event => onDrop(droppedBy(event))}
    >
      {drawn.map(place =>
        place.id.startsWith(SPACE) ? (
          <SpaceAgent key={place.id} place={place} />
        ) : (
          <ThingAgent key={place.id} place={place} />
        ),
      )}
    </DndContext>
  )
}

/** Of a thing and the space it lies in, the thing is meant. */
function droppedBy({ active, over, collisions }: DragEndEvent): Dropped {
  const dragged = String(active.id)
  const hit = collisions?.find(({ id }) => !String(id).startsWith(SPACE) && id !== dragged)
  const rect = hit?.data?.droppableContainer.rect.current
  const middle = active.rect.current.translated
  const space = over && String(over.id).startsWith(SPACE) ? Number(String(over.id).slice(SPACE.length)) : null
  return {
    dragged,
    onto: hit ? String(hit.id) : null,
    isLow: Boolean(rect && middle && middle.top + middle.height / 2 > rect.top + rect.height / 2),
    space: hit ? null : space,
  }
}

/** Lets things be dropped in a free space. */
function SpaceAgent({ place: { id, element } }: { place: DragPlace }) {
  const { setNodeRef, isOver } = useDroppable({ id })
  useLayoutEffect(() => setNodeRef(element.current))
  useLayoutEffect(
    () => shown(element.current, { background: isOver ? 'var(--liveWash)' : '' }),
    [element, isOver],
  )
  return null
}

/** Lets a thing be dragged, and others be dropped on it. */
function ThingAgent({ place: { id, element, listeners } }: { place: DragPlace }) {
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
