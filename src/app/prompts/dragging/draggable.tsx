/**
 * Things under a prompt can be dragged once the code for it is there: the board shows without waiting for it. They say where
 * they are, and what makes them draggable stands beside them and draws nothing: nothing among them is drawn anew when it comes.
 * It comes with the first press of a handle: most who write on a board never drag, and it is worked out anew with each thing added.
 */
import { Box } from '@chakra-ui/react'
import { GripVertical } from 'lucide-react'
import {
  createContext,
  type ReactNode,
  type RefObject,
  type SyntheticEvent,
  useContext,
  useEffect,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react'
import { flushSync } from 'react-dom'
import { loadAgain } from '../../ui/load-again'
import { type DragListeners, DragPlaces, type Dropped, SPACE } from './drag-places'

/** The board is shown, and can be written on, before this is fetched. In milliseconds. */
const FETCH_AFTER_MS = 1_000

/** Where things say where they are; null where nothing is dragged. */
const Places = createContext<DragPlaces | null>(null)

interface DraggableProps {
  /** Of the prompt. */
  id: string
  /** What is dragged, in words: `The card`. */
  what: string
  /** How else it is moved, for those who are read the page. */
  instead: string
  /** For those who look on. */
  isOff: boolean
  onDrop: (dropped: Dropped) => void
  /** What else is fetched for it, to be there should the line go. */
  along?: () => Promise<unknown>
  children: ReactNode
}

/** Around things that can be dragged, from when the code for it has come. */
export function Draggable({ isOff, along, children, ...drop }: DraggableProps) {
  const [places] = useState(() => new DragPlaces())
  const dragging = useDragging(isOff, along)
  const isGripped = useSyncExternalStore(places.subscribe, places.isGripped, places.isGripped)
  return (
    <Places value={isOff ? null : places}>
      {children}
      {dragging && isGripped && <dragging.DragAgents places={places} {...drop} />}
    </Places>
  )
}

function useDragging(isOff: boolean, along?: () => Promise<unknown>) {
  const [dragging, setDragging] = useState<typeof import('./drag-agents') | null>(null)
  useEffect(() => {
    if (isOff) return
    let cancelled = false
    const fetching = setTimeout(() => {
      along?.().catch(() => undefined)
      loadAgain(() => import('./drag-agents')).then(
        loaded => !cancelled && setDragging(loaded),
        // Without it things are moved by their buttons.
        () => undefined,
      )
    }, FETCH_AFTER_MS)
    return () => {
      cancelled = true
      clearTimeout(fetching)
    }
  }, [isOff, along])
  return isOff ? null : dragging
}

interface OwnPlace {
  element: RefObject<HTMLElement | null>
  /** Called with a press of its handle. */
  onGrip: (event: SyntheticEvent) => void
  isOff: boolean
}

/** Says where a thing is, for as long as it is there: in an element of the caller's, or in one it is to give a ref. */
export function useDragPlace(id: string, drawnIn?: RefObject<HTMLElement | null>): OwnPlace {
  const places = useContext(Places)
  const own = useRef<HTMLElement>(null)
  const element = drawnIn ?? own
  const listeners = useRef<DragListeners>(undefined)
  useEffect(() => places?.add({ id, element, listeners }), [places, id, element])
  const onGrip = (event: SyntheticEvent) => {
    // The very press that makes it draggable drags it.
    if (places) flushSync(places.grip)
    listeners.current?.[event.type === 'touchstart' ? 'onTouchStart' : 'onMouseDown']?.(event)
  }
  return { element, onGrip, isOff: places === null }
}

/** Says where the free space with this number is, in which things can be let go. */
export const useDropSpace = (number: number): OwnPlace => useDragPlace(`${SPACE}${number}`)

/** What a thing is dragged by; a drag can be done without it, so it is said to nobody who is read the page. */
export function DragHandle({ onGrip, isOff }: Pick<OwnPlace, 'onGrip' | 'isOff'>) {
  if (isOff) return null
  return (
    <Box
      color="quiet"
      cursor="grab"
      minW="24px"
      minH="24px"
      flexShrink="0"
      aria-hidden="true"
      onMouseDown={onGrip}
      onTouchStart={onGrip}
    >
      <GripVertical size={18} />
    </Box>
  )
}
