import { chakra, Menu, Portal } from '@chakra-ui/react'
import { useDraggable } from '@dnd-kit/core'
import { Lock } from 'lucide-react'
import type { GroupedPerson } from './grouped-person'

interface PersonChipProps {
  person: GroupedPerson
  absent: boolean
  /** Stays here when groups are made again. */
  held: boolean
  onHold: (hold: boolean) => void
  /** The group the person stands in; null for none. */
  here: string | null
  places: { id: string; name: string }[]
  onMove: (groupId: string | null) => void
}

/** A person who can be dragged, or moved through the menu that opens on click, Enter or Space. */
export function PersonChip({ person, absent, held, onHold, here, places, onMove }: PersonChipProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: person.id })
  // Dragging listens before the menu does: the menu keeps a press to itself, and dragging would never begin.
  return (
    <chakra.li
      ref={setNodeRef}
      onPointerDownCapture={listeners?.onPointerDown as React.PointerEventHandler | undefined}
      opacity={isDragging ? 0.4 : 1}
      touchAction="manipulation"
    >
      <Menu.Root
        id={`person-${person.id}`}
        lazyMount
        unmountOnExit
        onSelect={({ value }) => {
          if (value === 'hold') onHold(!held)
          else onMove(value === 'none' ? null : value)
        }}
      >
        <Menu.Trigger asChild>
          <chakra.button
            type="button"
            w="full"
            textAlign="left"
            px="10px"
            py="4px"
            borderWidth="1px"
            borderColor="line"
            borderRadius="6px"
            bg="paper"
            cursor="grab"
            overflowWrap="anywhere"
            _hover={{ borderColor: 'edge' }}
          >
            {person.shownName}
            {held && <Lock size={13} aria-label="held" style={{ display: 'inline', marginLeft: '6px' }} />}
            {[person.trainedToLead && 'lead', absent && here !== null && 'not here today']
              .filter(word => word !== false)
              .map(word => (
                <chakra.span key={word} color="quiet" fontSize="s">
                  {' '}
                  {word}
                </chakra.span>
              ))}
          </chakra.button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content>
              <Menu.ItemGroup>
                <Menu.ItemGroupLabel>Move {person.shownName} to</Menu.ItemGroupLabel>
                {places
                  .filter(place => place.id !== here)
                  .map(place => (
                    <Menu.Item key={place.id} value={place.id}>
                      {place.name}
                    </Menu.Item>
                  ))}
                {here !== null && <Menu.Item value="none">In no group</Menu.Item>}
              </Menu.ItemGroup>
              {here !== null && (
                <Menu.Item value="hold">
                  {held ? `Let go of ${person.shownName}` : `Hold ${person.shownName} here`}
                </Menu.Item>
              )}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
    </chakra.li>
  )
}
