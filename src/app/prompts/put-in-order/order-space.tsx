import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { putAt, takeOut } from '~/core/boards/prompts/put-in-order/document'
import { putInOrder } from '~/core/boards/prompts/put-in-order/put-in-order'
import { Button } from '../../ui/button'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import OrderAnswer from './order-answer'

/** Lines are put in order: a tap puts one at the end, arrows move it. */
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
  return (
    <Box maxW="560px">
      <Stack as="ol" ref={list} gap="6px" listStyleType="none" aria-label="In order">
        {order.map((line, place) => (
          <Flex
            as="li"
            key={line}
            data-line={line}
            gap="8px"
            align="center"
            bg="panel"
            borderWidth="1px"
            borderRadius="6px"
            px="10px"
            py="4px"
          >
            <chakra.span minW="22px" fontVariantNumeric="tabular-nums">
              {place + 1}.
            </chakra.span>
            <chakra.span flex="1" overflowWrap="anywhere">
              {lines[line]}
            </chakra.span>
            <Button
              minH="40px"
              px="10px"
              disabled={place === 0}
              aria-label={`Move up: ${lines[line]}`}
              onClick={() => move(line, -1)}
            >
              <ArrowUp size={18} aria-hidden="true" />
            </Button>
            <Button
              minH="40px"
              px="10px"
              disabled={place === order.length - 1}
              aria-label={`Move down: ${lines[line]}`}
              onClick={() => move(line, 1)}
            >
              <ArrowDown size={18} aria-hidden="true" />
            </Button>
            <Button
              size="small"
              kind="bare"
              aria-label={`Take out of the order: ${lines[line]}`}
              onClick={() => takeOut(doc, prompt.id, line)}
            >
              Take out
            </Button>
          </Flex>
        ))}
      </Stack>
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
