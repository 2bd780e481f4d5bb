/**
 * Prompts are dragged by their handle, onto another to stand before it or onto a part's end; parts onto another to take its place.
 * Keys and buttons do the same.
 */
import { Box, type BoxProps } from '@chakra-ui/react'
import { DndContext, type DragEndEvent, pointerWithin, useDraggable, useDroppable } from '@dnd-kit/core'
import { GripVertical } from 'lucide-react'
import type { ReactNode } from 'react'
import { dragSaid, useDragSensors } from '../../../ui/dragging'

interface DragPromptsProps {
  /** `before` is a prompt; null for the end of the part. */
  onDrop: (promptId: string, to: { before: string } | { endOf: string }) => void
  onDropPart: (partId: string, at: string) => void
  children: ReactNode
}

const END = 'end-of-'
const PART = 'part-'

export function DragPrompts({ onDrop, onDropPart, children }: DragPromptsProps) {
  const sensors = useDragSensors()
  const drop = ({ active, collisions }: DragEndEvent) => {
    const dragged = String(active.id)
    const isPart = dragged.startsWith(PART)
    // A part lies around its prompts: only what is of the same sort is meant.
    const onto = collisions?.map(({ id }) => String(id)).find(id => id.startsWith(PART) === isPart)
    if (onto === undefined || onto === dragged) return
    if (isPart) onDropPart(dragged.slice(PART.length), onto.slice(PART.length))
    else onDrop(dragged, onto.startsWith(END) ? { endOf: onto.slice(END.length) } : { before: onto })
  }
  return (
    <DndContext
      id="board-prompts"
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{
        announcements: dragSaid('It'),
        screenReaderInstructions: { draggable: 'With Alt and an arrow key it moves up or down.' },
      }}
      onDragEnd={drop}
    >
      {children}
    </DndContext>
  )
}

/** A place at the end of a part. */
export function PartEnd({ partId, children }: { partId: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${END}${partId}` })
  return (
    <Box ref={setNodeRef} borderRadius="6px" {...(isOver && { bg: 'liveWash' })}>
      {children}
    </Box>
  )
}

interface DraggedPartProps {
  id: string
  label: string
  /** The first stays where it is. */
  isFirst: boolean
  children: ReactNode
}

/** A part of the board, with its handle beside its heading. */
export function DraggedPart({ id, label, isFirst, children }: DraggedPartProps) {
  const drag = useDraggable({ id: PART + id, disabled: isFirst })
  const drop = useDroppable({ id: PART + id })
  const isTarget = drop.isOver && drop.active !== null && String(drop.active.id).startsWith(PART)
  return (
    <Box
      as="section"
      aria-label={label}
      ref={(node: HTMLElement | null) => {
        drag.setNodeRef(node)
        drop.setNodeRef(node)
      }}
      position="relative"
      borderTopWidth={isFirst ? '0' : '2px'}
      borderTopColor={isTarget && !drag.isDragging ? 'live' : undefined}
      pt={isFirst ? '0' : '12px'}
      mb="20px"
      bg={drag.isDragging ? 'paper' : undefined}
      zIndex={drag.isDragging ? 2 : undefined}
      style={drag.transform ? { transform: `translateY(${drag.transform.y}px)` } : undefined}
    >
      {!isFirst && <Handle drag={drag} top="16px" left={{ base: '-16px', md: '-24px' }} />}
      {children}
    </Box>
  )
}

export function DraggedPrompt({ id, children }: { id: string; children: ReactNode }) {
  const drag = useDraggable({ id })
  const drop = useDroppable({ id })
  const isTarget = drop.isOver && !drag.isDragging && !String(drop.active?.id).startsWith(PART)
  return (
    <Box
      as="li"
      ref={(node: HTMLElement | null) => {
        drag.setNodeRef(node)
        drop.setNodeRef(node)
      }}
      position="relative"
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      borderTopColor={isTarget ? 'live' : undefined}
      borderTopWidth={isTarget ? '3px' : undefined}
      zIndex={drag.isDragging ? 2 : undefined}
      style={
        drag.transform ? { transform: `translate(${drag.transform.x}px, ${drag.transform.y}px)` } : undefined
      }
    >
      <Handle drag={drag} top="10px" left="4px" />
      {children}
    </Box>
  )
}

/** What is pressed to drag. */
const Handle = ({ drag, ...place }: { drag: ReturnType<typeof useDraggable> } & BoxProps) => (
  <Box
    position="absolute"
    color="quiet"
    cursor="grab"
    minW="24px"
    minH="24px"
    aria-hidden="true"
    {...place}
    {...drag.listeners}
  >
    <GripVertical size={18} />
  </Box>
)
