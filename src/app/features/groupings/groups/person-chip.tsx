import { Menu, Portal } from '@chakra-ui/react'
import { useDraggable } from '@dnd-kit/core'
import { Check, Lock } from 'lucide-react'
import { memo, useId, useLayoutEffect, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import type { GroupedPerson } from './grouped-person'

interface PersonChipProps {
  person: GroupedPerson
  absent: boolean
  /** Stays here when groups are made again. */
  held: boolean
  /** One of those who are moved or placed together. */
  chosen: boolean
  /** Whether a click chooses instead of opening the menu. */
  choosing: boolean
  onChoose: (personId: string) => void
  /** What the person does in the group, or nothing. */
  role: string | undefined
  onHold: (personIds: string[], hold: boolean) => void
  /** The group the person stands in; null for none. */
  here: string | null
  places: { id: string; name: string }[]
  onMove: (personId: string, groupId: string | null) => void
}

/**
 * A person who can be dragged, or moved through the menu that opens on click, Enter or Space.
 *
 * Plain elements with classes of the theme: where hundreds of them move at once, styled ones that each listen for
 * dragging would hold up the page. A chip becomes draggable when the pointer comes to it, and has its menu when opened.
 */
export const PersonChip = memo(function PersonChip(props: PersonChipProps) {
  const { person } = props
  const [near, setNear] = useState(false)
  // By person: chips stand in for others when groups are made again.
  const [openFor, setOpenFor] = useState<string | null>(null)
  const open = openFor === person.id
  // Not the person's: chips change people by the hundred.
  const buttonId = useId()
  const button = (
    <ChipButton {...props} buttonId={buttonId} open={open} onOpen={() => setOpenFor(person.id)} />
  )
  const menu = open && <ChipMenu {...props} buttonId={buttonId} onClose={() => setOpenFor(null)} />
  const row = useRef<HTMLLIElement>(null)
  const drag = useRef<DragListeners>(undefined)
  return (
    // The element stays the same: a finger's touch belongs to the one it began on.
    <li
      ref={row}
      // The press that may begin a drag follows at once: by then the chip must be listening.
      onPointerEnter={near ? undefined : () => flushSync(() => setNear(true))}
      onMouseDownCapture={event => drag.current?.onMouseDown?.(event)}
      onTouchStartCapture={event => drag.current?.onTouchStart?.(event)}
    >
      {near && <DragSource key={person.id} personId={person.id} row={row} drag={drag} />}
      {button}
      {menu}
    </li>
  )
})

type DragListeners = Record<string, (event: React.SyntheticEvent) => void> | undefined

interface DragSourceProps {
  personId: string
  row: React.RefObject<HTMLLIElement | null>
  drag: React.RefObject<DragListeners>
}

/** Makes the row draggable, and draws nothing. */
function DragSource({ personId, row, drag }: DragSourceProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: personId })
  useLayoutEffect(() => {
    setNodeRef(row.current)
    drag.current = listeners as DragListeners
    row.current?.classList.toggle('chip-dragged', isDragging)
  })
  return null
}

interface ChipButtonProps extends PersonChipProps {
  buttonId: string
  open: boolean
  onOpen: () => void
}

function ChipButton(props: ChipButtonProps) {
  const { person, absent, held, chosen, choosing, role, here, buttonId, open, onOpen, onChoose } = props
  const words = [
    role ? role : person.trainedToLead && 'trained to lead',
    absent && here !== null && 'not here today',
  ]
  return (
    <button
      id={buttonId}
      type="button"
      className={chosen ? 'chip chip-chosen' : 'chip'}
      aria-haspopup={choosing ? undefined : 'menu'}
      aria-expanded={choosing ? undefined : open}
      aria-pressed={choosing || chosen ? chosen : undefined}
      onClick={event => {
        if (choosing || event.ctrlKey || event.metaKey || event.shiftKey) onChoose(person.id)
        else onOpen()
      }}
    >
      {person.shownName}
      {chosen && <Check size={14} aria-hidden="true" style={{ display: 'inline', marginLeft: '6px' }} />}
      {held && <Lock size={13} aria-label="held" style={{ display: 'inline', marginLeft: '6px' }} />}
      {/* Always there, so that another person's words change a text and add no element. */}
      <span className="chip-word"> {words.filter(Boolean).join(', ')}</span>
    </button>
  )
}

/** Made only when it is opened: hundreds of menus that wait would hold up the page. */
function ChipMenu(props: PersonChipProps & { buttonId: string; onClose: () => void }) {
  const { person, held, chosen, here, places, onHold, onMove, onChoose, buttonId, onClose } = props
  return (
    <Menu.Root
      open
      ids={{ trigger: buttonId }}
      onOpenChange={({ open }) => {
        if (open) return
        onClose()
        document.getElementById(buttonId)?.focus()
      }}
      onSelect={({ value }) => {
        if (value === 'hold') onHold([person.id], !held)
        else if (value === 'choose') onChoose(person.id)
        else onMove(person.id, value === 'none' ? null : value)
      }}
    >
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
            <Menu.Item value="choose">
              {chosen ? `No longer choose ${person.shownName}` : `Choose ${person.shownName} with others`}
            </Menu.Item>
            {here !== null && (
              <Menu.Item value="hold">
                {held ? `Let go of ${person.shownName}` : `Hold ${person.shownName} here`}
              </Menu.Item>
            )}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  )
}
