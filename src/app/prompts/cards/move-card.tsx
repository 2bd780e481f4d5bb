import { Flex } from '@chakra-ui/react'
import { useId, useState } from 'react'
import type * as Y from 'yjs'
import { joinHeap, leaveHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { type Card, cardText } from '~/core/boards/prompts/cards/document'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { Select } from '../../ui/fields'
import type { Called } from './called'

const saidOn = (doc: Y.Doc, promptId: string, id: string): string =>
  cardText(doc, promptId, id)?.toString().trim().slice(0, 40) || 'an empty one'

interface MoveCardProps {
  doc: Y.Doc
  promptId: string
  card: Card
  column: number
  /** The other cards of its column, in order, and where it stands among them. */
  others: readonly Card[]
  place: number
  columns: readonly string[]
  called: Called
}

/** Where a card can go, for keys and thumbs: up and down, into another column, onto another card's heap. */
export function MoveCard(props: MoveCardProps) {
  const [isOpen, setOpen] = useState(false)
  const id = useId()
  return (
    <>
      <Button
        size="small"
        kind="bare"
        aria-expanded={isOpen}
        aria-controls={id}
        aria-label={`Move the ${props.called.one}: ${saidOn(props.doc, props.promptId, props.card.id)}`}
        onClick={() => setOpen(!isOpen)}
      >
        Move
      </Button>
      {isOpen && (
        <Flex id={id} gap="6px" wrap="wrap" w="full" py="4px" order={1}>
          <Ways {...props} onDone={() => setOpen(false)} />
        </Flex>
      )}
    </>
  )
}

function Ways({
  doc,
  promptId,
  card,
  column,
  others,
  place,
  columns,
  onDone,
}: MoveCardProps & { onDone: () => void }) {
  const to = (index: number) => moveCard(doc, promptId, card.id, column, others[index]?.id ?? null)
  return (
    <>
      <Button size="small" disabled={place === 0} onClick={() => to(place - 1)}>
        Up
      </Button>
      <Button size="small" disabled={place >= others.length} onClick={() => to(place + 1)}>
        Down
      </Button>
      {columns.map(
        (name, index) =>
          index !== column && (
            <Button
              key={name}
              size="small"
              onClick={() => {
                moveCard(doc, promptId, card.id, index, null)
                onDone()
              }}
            >
              To {name}
            </Button>
          ),
      )}
      {card.heap && (
        <Button size="small" onClick={() => leaveHeap(doc, promptId, card.id)}>
          Off the heap
        </Button>
      )}
      {others.length > 0 && (
        <Flex fontSize="s" gap="6px" align="center" maxW="100%">
          <span>Onto</span>
          <Select
            value=""
            minH="30px"
            py="2px"
            fontSize="s"
            aria-label="Join with another card in a heap"
            onChange={event => {
              joinHeap(doc, promptId, card.id, event.target.value, newId())
              onDone()
            }}
          >
            <option value="">another card…</option>
            {others
              .filter(({ heap }) => heap === undefined || heap !== card.heap)
              .map(({ id }) => (
                <option key={id} value={id}>
                  {saidOn(doc, promptId, id)}
                </option>
              ))}
          </Select>
        </Flex>
      )}
    </>
  )
}
