/** Prompts are dragged by their handle, onto another to stand before it or onto a part's end. Keys and buttons do the same. */
import { Box } from '@chakra-ui/react'
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
import { dragSaid } from '../../../ui/drag-said'

interface DragPromptsProps {
  /** `before` is a prompt; null for the end of the part. */
  onDrop: (promptId: string, to: { before: string } | { endOf: string }) => void
  children: ReactNode
}

const END = 'end-of-'

export function DragPrompts({ onDrop, children }: DragPromptsProps) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  )
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return
    const onto = String(over.id)
    onDrop(String(active.id), onto.startsWith(END) ? { endOf: onto.slice(END.length) } : { before: onto })
  }
  return (
    <DndContext
      id="board-prompts"
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{
        announcements: dragSaid('The prompt'),
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

export function DraggedPrompt({ id, children }: { id: string; children: ReactNode }) {
  const drag = useDraggable({ id })
  const drop = useDroppable({ id })
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
      borderTopColor={drop.isOver && !drag.isDragging ? 'live' : undefined}
      borderTopWidth={drop.isOver && !drag.isDragging ? '3px' : undefined}
      zIndex={drag.isDragging ? 2 : undefined}
      style={
        drag.transform ? { transform: `translate(${drag.transform.x}px, ${drag.transform.y}px)` } : undefined
      }
    >
      <Box
        position="absolute"
        top="10px"
        left="4px"
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
