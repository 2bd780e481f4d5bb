import { Box, chakra } from '@chakra-ui/react'
import { type KeyboardEvent, type PointerEvent, useContext, useRef, useState } from 'react'
import {
  type Mark,
  type Pin,
  type Remark,
  shifted,
  simplified,
  WIDTH,
} from '~/core/boards/prompts/drawing/document'
import { newId } from '../../ui/by-chance'
import { FilesAt } from './files-at'
import { MarkShape, reachOf, SHAPE_WORDS } from './mark-shape'
import type { Tool } from './tools'

/** A picture, or an empty ground; its size in points, of which only the proportion counts. */
export interface GroundOf {
  /** Which it is for what is drawn on it, where that is not its place among the others. */
  on?: number
  /** The hash of the file; null for an empty ground. */
  file: string | null
  title: string
  width: number
  height: number
}

/** An arrow key moves a mark or pin by so much. */
const STEP = 150
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
}

export interface GroundProps {
  on: number
  ground: GroundOf
  marks: readonly Mark[]
  /** All remarks in order, pinned here or not. */
  remarks: readonly Remark[]
  tool: Tool
  colour: number
  readOnly: boolean
  authorOf: (pieceId: string) => string | undefined
  onPlace: (pin: Pin) => void
  onMark: (mark: Mark) => void
  onErase: (mark: Mark) => void
  onPin: (id: string, pin: Pin) => void
}

const DRAWS: readonly Tool[] = ['pen', 'arrow', 'box', 'ellipse']
/** A press that moves less than this is no shape. */
const LEAST = 120

/** One picture with all that is marked on it. With a tool a finger draws; looking, it scrolls and two of them zoom. */
export function Ground(props: GroundProps) {
  const { on, ground, marks, remarks, tool, colour, readOnly, authorOf, onPlace, onMark } = props
  const filesAt = useContext(FilesAt)
  const [draft, setDraft] = useState<Mark | null>(null)
  const drawn = useRef<number[]>([])
  const tall = (WIDTH * ground.height) / ground.width
  const placeOf = (event: PointerEvent<Element>): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect()
    const scale = WIDTH / box.width
    return [Math.round((event.clientX - box.left) * scale), Math.round((event.clientY - box.top) * scale)]
  }
  const draws = !readOnly && DRAWS.includes(tool)
  const begin = (event: PointerEvent<SVGSVGElement>) => {
    if (readOnly || event.button !== 0) return
    const [x, y] = placeOf(event)
    if (tool === 'remark' || tool === 'text') onPlace({ on, x, y })
    if (!draws) return
    event.preventDefault()
    event.currentTarget.setPointerCapture(event.pointerId)
    drawn.current = [x, y]
    setDraft({
      id: newId(),
      on,
      shape: tool as Mark['shape'],
      points: [x, y, x, y],
      colour,
      text: '',
    })
  }
  const goOn = (event: PointerEvent<SVGSVGElement>) => {
    if (!draft) return
    const [x, y] = placeOf(event)
    if (draft.shape === 'pen') drawn.current.push(x, y)
    const points = draft.shape === 'pen' ? [...drawn.current] : [...draft.points.slice(0, 2), x, y]
    setDraft({ ...draft, points })
  }
  const end = () => {
    if (!draft) return
    setDraft(null)
    const points = draft.shape === 'pen' ? simplified(draft.points) : draft.points
    const [ax = 0, ay = 0] = points
    const [bx = 0, by = 0] = points.slice(-2)
    if (draft.shape !== 'pen' && Math.hypot(bx - ax, by - ay) < LEAST) return
    onMark({ ...draft, points })
  }
  return (
    <Box
      position="relative"
      w="full"
      bg="white"
      borderWidth="1px"
      borderRadius="4px"
      overflow="hidden"
      style={{ aspectRatio: `${ground.width} / ${ground.height}` }}
    >
      {ground.file && (
        <chakra.img
          src={`${filesAt}/${ground.file}/1280.webp`}
          srcSet={`${filesAt}/${ground.file}/1280.webp 1280w, ${filesAt}/${ground.file}/2400.webp 2400w`}
          sizes="(min-width: 900px) 900px, 100vw"
          alt={ground.title || `Picture ${on + 1}`}
          draggable={false}
          w="full"
          h="full"
          display="block"
        />
      )}
      <chakra.svg
        position="absolute"
        inset="0"
        w="full"
        h="full"
        viewBox={`0 0 ${WIDTH} ${tall}`}
        cursor={readOnly || tool === 'look' || tool === 'erase' ? undefined : 'crosshair'}
        css={{ '& g:focus-visible': { outline: '3px solid var(--live)' } }}
        style={{ touchAction: draws ? 'none' : 'auto' }}
        role="group"
        aria-label={`What is marked on ${ground.title || 'it'}`}
        data-ground={on}
        onPointerDown={begin}
        onPointerMove={goOn}
        onPointerUp={end}
        onPointerCancel={() => setDraft(null)}
      >
        {marks
          .filter(mark => mark.on === on)
          .map(mark => (
            <OneMark key={mark.id} {...props} mark={mark} author={authorOf(`m-${mark.id}`)} />
          ))}
        {draft && <MarkShape mark={draft} />}
      </chakra.svg>
      {remarks.map(({ id, text, pin }, place) =>
        pin?.on === on ? (
          <PinButton
            key={id}
            id={id}
            number={place + 1}
            text={text}
            pin={pin}
            tall={tall}
            readOnly={readOnly}
            onPin={moved => props.onPin(id, moved)}
          />
        ) : null,
      )}
    </Box>
  )
}

interface OneMarkProps extends GroundProps {
  mark: Mark
  author: string | undefined
}

/** A mark, moved by arrow keys, stretched by Shift and arrows, erased by Delete or the eraser. */
function OneMark({ mark, author, tool, readOnly, onMark, onErase }: OneMarkProps) {
  const words = `${mark.text || SHAPE_WORDS[mark.shape]}${author ? ` by ${author}` : ''}`
  if (readOnly)
    return (
      <g>
        <title>{words}</title>
        <MarkShape mark={mark} />
      </g>
    )
  const keys = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key]
    if (arrow) {
      event.preventDefault()
      onMark(shifted(mark, ...arrow, event.shiftKey))
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      onErase(mark)
    }
  }
  return (
    // biome-ignore lint/a11y/useSemanticElements: it is a part of a drawing.
    <g
      role="button"
      tabIndex={0}
      data-mark={mark.id}
      aria-label={words}
      aria-description="Arrow keys move it, with Shift they stretch it, Delete removes it."
      onKeyDown={keys}
      onPointerDown={event => {
        if (tool !== 'erase') return
        event.stopPropagation()
        onErase(mark)
      }}
    >
      <rect {...reachOf(mark)} fill="transparent" pointerEvents={tool === 'erase' ? 'all' : 'none'} />
      <MarkShape mark={mark} />
    </g>
  )
}

interface PinButtonProps {
  id: string
  number: number
  text: string
  pin: Pin
  /** How tall the ground is, its width being `WIDTH`. */
  tall: number
  readOnly: boolean
  onPin: (pin: Pin) => void
}

/** Where a remark is pinned: a press goes to its words, arrow keys or a pull move it. */
function PinButton({ id, number, text, pin, tall, readOnly, onPin }: PinButtonProps) {
  const [pulled, setPulled] = useState<Pin | null>(null)
  const from = useRef<{ x: number; y: number } | null>(null)
  const { x, y } = pulled ?? pin
  const pull = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.parentElement?.getBoundingClientRect()
    if (!from.current || !box) return
    const scale = WIDTH / box.width
    const [dx, dy] = [(event.clientX - from.current.x) * scale, (event.clientY - from.current.y) * scale]
    if (!pulled && Math.hypot(dx, dy) < LEAST) return
    const within = (value: number, most: number) => Math.max(0, Math.min(most, value))
    setPulled({ on: pin.on, x: within(pin.x + dx, WIDTH), y: within(pin.y + dy, tall) })
  }
  return (
    <chakra.button
      type="button"
      data-pin={id}
      aria-label={`Remark ${number}: ${text || 'empty'}`}
      aria-description={readOnly ? undefined : 'Arrow keys move it.'}
      position="absolute"
      w="30px"
      h="30px"
      m="-15px"
      borderRadius="50%"
      bg="live"
      color="onLive"
      borderWidth="2px"
      borderColor="white"
      fontWeight="700"
      fontSize="s"
      lineHeight="1"
      cursor={readOnly ? 'pointer' : 'grab'}
      style={{ left: `${(x / WIDTH) * 100}%`, top: `${(y / tall) * 100}%`, touchAction: 'none' }}
      onPointerDown={event => {
        if (readOnly) return
        from.current = { x: event.clientX, y: event.clientY }
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={pull}
      onPointerUp={() => {
        from.current = null
        if (pulled) onPin(pulled)
        setPulled(null)
      }}
      onPointerCancel={() => {
        from.current = null
        setPulled(null)
      }}
      onClick={() => {
        if (!pulled) focusRemark(id)
      }}
      onKeyDown={event => {
        const arrow = ARROWS[event.key]
        if (!arrow || readOnly) return
        event.preventDefault()
        onPin({ on: pin.on, x: pin.x + arrow[0], y: pin.y + arrow[1] })
      }}
    >
      {number}
    </chakra.button>
  )
}

/** Remarks that were far away are drawn once they come near, which is waited for so many times. */
const LONGEST_FRAMES = 30

/** Goes to the words of a remark; they may be drawn only in a moment. */
export function focusRemark(id: string, frames = LONGEST_FRAMES): void {
  requestAnimationFrame(() => {
    const card = document.querySelector<HTMLElement>(`[data-card="${CSS.escape(id)}"]`)
    const field = card?.querySelector('textarea')
    if (field) return field.focus()
    card?.scrollIntoView({ block: 'nearest' })
    if (frames > 0 && !card?.hasChildNodes()) focusRemark(id, frames - 1)
  })
}

export function focusDrawn(what: 'mark' | 'pin', id: string): void {
  requestAnimationFrame(() =>
    document.querySelector<HTMLElement>(`[data-${what}="${CSS.escape(id)}"]`)?.focus(),
  )
}
