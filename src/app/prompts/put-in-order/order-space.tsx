import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { type RefObject, useEffect, useRef } from 'react'
import { putAt, takeOut } from '~/core/boards/prompts/put-in-order/document'
import { putInOrder } from '~/core/boards/prompts/put-in-order/put-in-order'
import { Button } from '../../ui/button'
import { Draggable, DragHandle, useDragPlace } from '../dragging/draggable'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import OrderAnswer from './order-answer'

/** Lines are put in order: a tap puts one at the end, arrows or a drag move it. */
export default function OrderSpace({
  prompt,
  connection: { doc },
  readOnly,
}: PromptSpaceProps<'put-in-order'>) {
  const { lines, order } = useAnswer(doc, putInOrder, prompt)
  const open = lines.map((_, line) => line).filter(line => !order.includes(line))
  const list = useRef<HTMLDivElement>(null)
  const moved = useRef<{ line: number; by: -1 | 1 } | null>(null)
  // What was moved keeps the focus where it goes, so that it can be moved on.
  useEffect(() => {
    if (!moved.current) return
    const { line, by } = moved.current
    moved.current = null
    const buttons = [
      ...(list.current?.querySelectorAll<HTMLButtonElement>(`[data-line="${line}"] button`) ?? []),
    ]
    const pressed = buttons[by === -1 ? 0 : 1]
    const other = buttons[by === -1 ? 1 : 0]
    if (pressed?.disabled) other?.focus()
    else pressed?.focus()
  })
  if (readOnly) {
    return order.length > 0 ? (
      <OrderAnswer answer={{ promptId: prompt.id, kind: 'put-in-order', lines, order }} />
    ) : (
      <chakra.p color="quiet">Nothing is in order yet.</chakra.p>
    )
  }
  const move = (line: number, by: -1 | 1) => {
    moved.current = { line, by }
    putAt(doc, prompt.id, lines.length, line, order.indexOf(line) + by)
  }
  /** Before the line it is let go on, or after it on its lower half. */
  const dropLine = (line: number, onto: number, isLow: boolean) => {
    const others = order.filter(each => each !== line)
    putAt(doc, prompt.id, lines.length, line, others.indexOf(onto) + (isLow ? 1 : 0))
  }
  return (
    <Box maxW="560px">
      <Draggable
        id={prompt.id}
        what="The line"
        instead="Press Move up or Move down on the line."
        isOff={readOnly}
        onDrop={({ dragged, onto, isLow }) => onto !== null && dropLine(Number(dragged), Number(onto), isLow)}
      >
        <Stack as="ol" ref={list} gap="6px" listStyleType="none" aria-label="In order">
          {order.map((line, place) => (
            <Line
              key={line}
              line={line}
              place={place}
              text={lines[line] ?? ''}
              isLast={place === order.length - 1}
              onMove={by => move(line, by)}
              onTakeOut={() => takeOut(doc, prompt.id, line)}
            />
          ))}
        </Stack>
      </Draggable>
      {open.length > 0 && (
        <>
          <chakra.p color="quiet" fontSize="s" mt="10px" mb="6px">
            {order.length === 0
              ? 'Press what comes first, then what comes next.'
              : 'Not in the order yet: press what comes next.'}
          </chakra.p>
          <Flex gap="8px" wrap="wrap" role="group" aria-label="Not in the order yet">
            {open.map(line => (
              <Button
                key={line}
                minH="42px"
                whiteSpace="normal"
                textAlign="left"
                flexShrink="1"
                onClick={() => putAt(doc, prompt.id, lines.length, line, order.length)}
              >
                {lines[line]}
              </Button>
            ))}
          </Flex>
        </>
      )}
    </Box>
  )
}

interface LineProps {
  line: number
  /** In the order, from 0. */
  place: number
  text: string
  isLast: boolean
  onMove: (by: -1 | 1) => void
  onTakeOut: () => void
}

/** A line that has its place: dragged by its handle, moved by arrows, taken out again. */
function Line({ line, place, text, isLast, onMove, onTakeOut }: LineProps) {
  const { element, onGrip, isOff } = useDragPlace(String(line))
  return (
    <Flex
      as="li"
      ref={element as RefObject<HTMLDivElement | null>}
      data-line={line}
      position="relative"
      gap="8px"
      align="center"
      bg="panel"
      borderWidth="1px"
      borderRadius="6px"
      px="10px"
      py="4px"
    >
      <DragHandle onGrip={onGrip} isOff={isOff} />
      <chakra.span minW="22px" fontVariantNumeric="tabular-nums">
        {place + 1}.
      </chakra.span>
      <chakra.span flex="1" overflowWrap="anywhere">
        {text}
      </chakra.span>
      <Button
        minH="40px"
        px="10px"
        disabled={place === 0}
        aria-label={`Move up: ${text}`}
        onClick={() => onMove(-1)}
      >
        <ArrowUp size={18} aria-hidden="true" />
      </Button>
      <Button
        minH="40px"
        px="10px"
        disabled={isLast}
        aria-label={`Move down: ${text}`}
        onClick={() => onMove(1)}
      >
        <ArrowDown size={18} aria-hidden="true" />
      </Button>
      <Button size="small" kind="bare" aria-label={`Take out of the order: ${text}`} onClick={onTakeOut}>
        Take out
      </Button>
    </Flex>
  )
}
