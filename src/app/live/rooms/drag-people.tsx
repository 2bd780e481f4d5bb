import { Box, Grid, mergeRefs } from '@chakra-ui/react'
import {
  type Active,
  DndContext,
  DragOverlay,
  type Over,
  pointerWithin,
  useDraggable,
  useDroppable,
} from '@dnd-kit/core'
import { type ReactNode, type RefObject, useId, useLayoutEffect, useMemo, useState } from 'react'
import type { LanePerson } from '~/core/live/door/shown'
import { useDragSensors } from '../../ui/dragging'
import { useChosen } from './chosen-people'
import type { Placement } from './use-placing'

/** The class of the name that goes along with the pointer, while one is dragged. */
export const DRAGGED = 'dragged-name'
/** Where people are dropped who are to be with the whole group. */
export const WHOLE = 'whole-group'

interface DragPeopleProps {
  people: readonly LanePerson[]
  /** The name of a place by its id. */
  placeName: (id: string) => string
  onPlace: (placements: Placement[]) => void
  children: ReactNode
}

/** Names in the lanes are dragged to another room; with one that is chosen go all who are. */
export function DragPeople({ people, placeName, onPlace, children }: DragPeopleProps) {
  const chosen = useChosen()
  const [dragged, setDragged] = useState<string | null>(null)
  const sensors = useDragSensors()
  const nameOf = (id: string) => people.find(person => person.id === id)?.shownName ?? 'Somebody'
  const going = dragged !== null && chosen.ids().has(dragged) ? chosen.ids().size : 1
  const announcements = {
    onDragStart: ({ active }: { active: Active }) => `${nameOf(personOf(active))} is taken up.`,
    onDragOver: () => undefined,
    onDragEnd: ({ active, over }: { active: Active; over: Over | null }) =>
      over
        ? `${nameOf(personOf(active))} was put: ${placeName(String(over.id))}.`
        : `${nameOf(personOf(active))} stays.`,
    onDragCancel: ({ active }: { active: Active }) => `${nameOf(personOf(active))} stays.`,
  }
  return (
    <DndContext
      id="lanes"
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{
        announcements,
        screenReaderInstructions: { draggable: 'Press Enter for where this person can go.' },
      }}
      onDragStart={({ active }) => setDragged(personOf(active))}
      onDragCancel={() => setDragged(null)}
      onDragEnd={({ active, over }) => {
        setDragged(null)
        if (!over) return
        const id = personOf(active)
        const ids = chosen.ids().has(id) ? [...chosen.ids()] : [id]
        const roomId = over.id === WHOLE ? null : String(over.id)
        onPlace(ids.map(participantId => ({ participantId, roomId })))
        chosen.clear()
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {dragged !== null && (
          <Box
            className={DRAGGED}
            bg="panel"
            borderWidth="2px"
            borderColor="live"
            borderRadius="6px"
            px="10px"
            py="5px"
            fontWeight="600"
            w="max-content"
          >
            {nameOf(dragged)}
            {going > 1 && ` and ${going - 1} more`}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  )
}

const personOf = (active: Active) => String(active.data.current?.personId)

export type DragListeners = Record<string, (event: React.SyntheticEvent) => void> | undefined

interface DragSourceProps {
  personId: string
  row: RefObject<HTMLElement | null>
  drag: RefObject<DragListeners>
}

/** Makes a name draggable, and draws nothing: hundreds that each listen for dragging would hold up the page. */
export function DragSource({ personId, row, drag }: DragSourceProps) {
  // Before a round a name stands with the whole group and in its lane.
  const id = useId()
  const { setNodeRef, listeners } = useDraggable({ id, data: { personId } })
  useLayoutEffect(() => {
    setNodeRef(row.current)
    drag.current = listeners as DragListeners
  })
  return null
}

interface LanePlaceProps {
  id: string
  name: string
  className: string
  asks: boolean
  calls: boolean
  narrow: boolean
  /** Told of the lane's element. */
  watched?: (element: HTMLLIElement | null) => (() => void) | undefined
  children: ReactNode
}

/** A lane, into which names can be dropped: a plain element. What is in it is not drawn again while somebody is dragged. */
export function LanePlace({ id, name, className, asks, calls, narrow, watched, children }: LanePlaceProps) {
  const { setNodeRef, isOver } = useDroppable({ id })
  const ref = useMemo(() => mergeRefs<HTMLLIElement>(setNodeRef, watched), [setNodeRef, watched])
  return (
    <li
      ref={ref}
      aria-label={name}
      className={`lane ${className}`}
      data-asks={asks || undefined}
      data-calls={calls || undefined}
      data-narrow={narrow || undefined}
      data-over={isOver || undefined}
    >
      {children}
    </li>
  )
}

/** Where names can be dropped. What is in it is not drawn again while somebody is dragged. */
export function DropPlace({ id, children, ...grid }: { id: string } & React.ComponentProps<typeof Grid>) {
  const { setNodeRef, isOver } = useDroppable({ id })
  const outline = useMemo(() => (isOver ? '2px solid var(--live)' : undefined), [isOver])
  return (
    <Grid ref={setNodeRef} outline={outline} {...grid}>
      {children}
    </Grid>
  )
}
