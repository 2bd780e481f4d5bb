import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import { type ReactNode, useMemo, useState } from 'react'
import type { Prompt } from '~/core/boards/board'
import { addCard } from '~/core/boards/prompts/cards/document'
import {
  LONGEST_LABEL,
  type Mark,
  MOST_MARKS,
  type Pin,
  pinTo,
  type Remark,
  type Shape,
  WIDTH,
} from '~/core/boards/prompts/drawing/document'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { Field, Input } from '../../ui/fields'
import { CardsSpace } from '../cards/cards-space'
import type { PromptSpaceProps } from '../prompt-space'
import { focusDrawn, focusRemark, Ground, type GroundOf } from './ground'
import { SHAPE_WORDS } from './mark-shape'
import { type Tool, ToolBar, ZoomButton } from './tools'
import { useDrawing } from './use-drawing'

interface DrawingProps extends Omit<PromptSpaceProps, 'prompt'> {
  prompt: { id: string; text: string }
  grounds: readonly GroundOf[]
  remarks: readonly Remark[]
  marks: readonly Mark[]
  /** What can be done with one of the pictures, below it. */
  below?: (ground: GroundOf) => ReactNode
}

const EMPTY: GroundOf = { file: null, title: '', width: 4, height: 3 }

/** Pictures, or an empty ground, to be marked and remarked on by several at once. */
export function Drawing({ grounds, remarks, marks, below, ...props }: DrawingProps) {
  const { prompt, connection, readOnly, full, authors, myName } = props
  const { doc } = connection
  const [tool, setTool] = useState<Tool>('look')
  const [colour, setColour] = useState(0)
  const [large, setLarge] = useState(false)
  const [label, setLabel] = useState<Pin | null>(null)
  const [asking, setAsking] = useState<Mark | null>(null)
  const drawing = useDrawing(doc, prompt.id, readOnly)
  const authorOf = (pieceId: string) => authors[`${prompt.id}/${pieceId}`]
  const isFull = full || marks.length >= MOST_MARKS
  const remarkAt = (pin: Pin, next: (id: string) => void) => {
    const id = newId()
    doc.transact(() => {
      addCard(doc, prompt.id, id, '')
      pinTo(doc, prompt.id, id, pin)
    })
    setTool('look')
    next(id)
  }
  const place = (pin: Pin) => {
    if (isFull) return
    if (tool === 'text') setLabel(pin)
    else remarkAt(pin, focusRemark)
  }
  /** For those who draw with keys: a mark of middling size, to be moved from there. */
  const inTheMiddle = (on: number) => {
    const { width, height } = grounds.find((ground, place) => (ground.on ?? place) === on) ?? EMPTY
    const [x, y] = [WIDTH / 2, Math.round((WIDTH * height) / width / 2)]
    if (tool === 'remark') remarkAt({ on, x, y }, id => focusDrawn('pin', id))
    else if (tool === 'text') setLabel({ on, x, y })
    else {
      const id = newId()
      const points = [x - 1_000, y - 700, x + 1_000, y + 700]
      drawing.put({ id, on, shape: tool as Shape, points, colour, text: '' })
      focusDrawn('mark', id)
    }
  }
  const erase = (mark: Mark) => {
    const author = authorOf(`m-${mark.id}`)
    if (author === undefined || author === myName) drawing.erase(mark.id)
    else setAsking(mark)
  }
  const middle = tool === 'look' || tool === 'pen' || tool === 'erase' ? [] : grounds
  return (
    <Box>
      {!readOnly && (
        <ToolBar
          tool={tool}
          onTool={chosen => {
            setTool(chosen)
            setLabel(null)
            setAsking(null)
          }}
          colour={colour}
          onColour={setColour}
          undo={drawing.undo}
          redo={drawing.redo}
          full={isFull}
        />
      )}
      {!readOnly && (
        <Flex gap="8px" align="center" wrap="wrap" mb="6px" minH="36px" fontSize="s">
          <chakra.span role="status" color="quiet">
            {marks.length >= MOST_MARKS
              ? `There are ${MOST_MARKS} marks here: erase some to draw more.`
              : HINTS[tool]}
          </chakra.span>
          {!isFull &&
            middle.map((ground, place) => (
              <Button
                key={ground.on ?? place}
                size="small"
                minH="36px"
                onClick={() => inTheMiddle(ground.on ?? place)}
              >
                {middle.length === 1 ? 'Put it in the middle' : `In the middle of picture ${place + 1}`}
              </Button>
            ))}
        </Flex>
      )}
      {asking && (
        <EraseQuestion
          what={`${authorOf(`m-${asking.id}`)}’s ${SHAPE_WORDS[asking.shape].toLowerCase()}`}
          onErase={() => {
            drawing.erase(asking.id)
            setAsking(null)
          }}
          onKeep={() => setAsking(null)}
        />
      )}
      {label && (
        <LabelForm
          onText={text => {
            const id = newId()
            const points = [Math.round(label.x), Math.round(label.y)]
            drawing.put({ id, on: label.on, shape: 'text', points, colour, text })
            setLabel(null)
            focusDrawn('mark', id)
          }}
          onClose={() => setLabel(null)}
        />
      )}
      <Box
        overflowX="auto"
        tabIndex={large ? 0 : undefined}
        role={large ? 'region' : undefined}
        aria-label={large ? 'Enlarged' : undefined}
      >
        <Grid
          gap="10px"
          w={large ? '220%' : 'full'}
          templateColumns={`repeat(auto-fit, minmax(min(${large ? 620 : 300}px, 100%), 1fr))`}
        >
          {grounds.map((ground, at) => (
            <chakra.figure key={ground.on ?? at} m="0">
              <Ground
                on={ground.on ?? at}
                ground={ground}
                marks={marks}
                remarks={remarks}
                tool={tool}
                colour={colour}
                readOnly={readOnly || (isFull && tool !== 'erase')}
                authorOf={authorOf}
                onPlace={place}
                onMark={drawing.put}
                onErase={erase}
                onPin={(id, pin) => pinTo(doc, prompt.id, id, pin)}
              />
              {ground.title && (
                <chakra.figcaption color="quiet" fontSize="s" mt="2px">
                  {ground.title}
                </chakra.figcaption>
              )}
              {below?.(ground)}
            </chakra.figure>
          ))}
        </Grid>
      </Box>
      <ZoomButton large={large} onLarge={setLarge} />
      <Remarks {...props} remarks={remarks} onPin={id => pinToMiddle(id)} />
    </Box>
  )

  function pinToMiddle(id: string) {
    const { on = 0, width, height } = grounds[0] ?? EMPTY
    pinTo(doc, prompt.id, id, { on, x: WIDTH / 2, y: (WIDTH * height) / width / 2 })
    focusDrawn('pin', id)
  }
}

const HINTS: Record<Tool, string> = {
  look: 'Choose Remark or a pen to work on it.',
  remark: 'Press the place it is about.',
  pen: 'Draw with a finger or the mouse.',
  arrow: 'Pull from where to where.',
  box: 'Pull from corner to corner.',
  ellipse: 'Pull from corner to corner.',
  text: 'Press the place it belongs to.',
  erase: 'Press what is to go.',
}

interface RemarksProps extends Omit<PromptSpaceProps, 'prompt'> {
  prompt: { id: string; text: string }
  remarks: readonly Remark[]
  onPin: (id: string) => void
}

/** The words of the remarks, by number; one without a place can be given one. */
function Remarks({ prompt, remarks, onPin, ...props }: RemarksProps) {
  const asCards = useMemo<Extract<Prompt, { kind: 'cards' }>>(
    () => ({ id: prompt.id, kind: 'cards', text: prompt.text, settings: {} }),
    [prompt.id, prompt.text],
  )
  const called = {
    one: 'remark',
    many: 'remarks',
    numbered: true,
    more: (id: string) =>
      remarks.some(remark => remark.id === id && remark.pin === null) ? (
        <Button size="small" kind="bare" onClick={() => onPin(id)}>
          Pin it
        </Button>
      ) : null,
  }
  return (
    <Box mt="8px">
      <CardsSpace {...props} prompt={asCards} called={called} />
    </Box>
  )
}

interface EraseQuestionProps {
  what: string
  onErase: () => void
  onKeep: () => void
}

/** Somebody else's goes only after a second thought. */
const EraseQuestion = ({ what, onErase, onKeep }: EraseQuestionProps) => (
  <Flex gap="8px" align="center" mb="6px" wrap="wrap" role="group" aria-label={`Remove ${what}?`}>
    <span>Remove {what}?</span>
    <Button size="small" kind="stop" onClick={onErase} autoFocus>
      Remove it
    </Button>
    <Button size="small" onClick={onKeep}>
      Keep it
    </Button>
  </Flex>
)

function LabelForm({ onText, onClose }: { onText: (text: string) => void; onClose: () => void }) {
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      mb="6px"
      wrap="wrap"
      onSubmit={event => {
        event.preventDefault()
        const typed = String(
          new FormData(event.currentTarget as unknown as HTMLFormElement).get('label'),
        ).trim()
        if (typed) onText(typed)
      }}
    >
      <Field label="What stands there">
        {parts => <Input {...parts} name="label" maxLength={LONGEST_LABEL} autoFocus autoComplete="off" />}
      </Field>
      <Button type="submit" kind="main">
        Write it
      </Button>
      <Button onClick={onClose}>Leave it</Button>
    </Flex>
  )
}
