import { Flex } from '@chakra-ui/react'
import { useSyncExternalStore } from 'react'
import type * as Y from 'yjs'
import { joinHeap, leaveHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { byColumn } from '~/core/boards/prompts/cards/columns'
import { cardMap } from '~/core/boards/prompts/cards/document'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { Select } from '../../ui/fields'
import type { Dropped } from '../dragging/drag-places'
import { type MoveCardProps, saidOn } from './cards-here'

/** The ways a card can go. */
export default function MoveWays({ here, card, column, onDone }: MoveCardProps & { onDone: () => void }) {
  const { doc, promptId, columns, arrangement } = here
  const cards = useSyncExternalStore(arrangement.follow, arrangement.get, arrangement.get)
  const inColumn = byColumn({ cards, columns })[column] ?? []
  const others = inColumn.filter(({ id }) => id !== card.id)
  const place = inColumn.findIndex(({ id }) => id === card.id)
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
              .map(other => (
                <option key={other.id} value={other.id}>
                  {saidOn(other)}
                </option>
              ))}
          </Select>
        </Flex>
      )}
    </>
  )
}

/** Onto a column's free space to its end, before the card in whose upper half it is let go, onto the lower half into its heap. */
export function dropCard(doc: Y.Doc, promptId: string, { dragged, onto, isLow, space }: Dropped): void {
  if (onto === null) {
    if (space !== null) moveCard(doc, promptId, dragged, space, null)
  } else if (isLow) joinHeap(doc, promptId, dragged, onto, newId())
  else moveCard(doc, promptId, dragged, Number(cardMap(doc, promptId, onto)?.get('column') ?? 0), onto)
}
