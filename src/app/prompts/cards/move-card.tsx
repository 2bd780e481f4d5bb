import { Flex } from '@chakra-ui/react'
import { useId, useState, useSyncExternalStore } from 'react'
import { joinHeap, leaveHeap, moveCard } from '~/core/boards/prompts/cards/arrange'
import { byColumn } from '~/core/boards/prompts/cards/columns'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { Select } from '../../ui/fields'
import type { CardsHere } from './cards-here'

const saidOn = ({ text }: StandingCard): string => text.toString().trim().slice(0, 40) || 'an empty one'

interface MoveCardProps {
  here: CardsHere
  card: StandingCard
  column: number
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
        aria-label={`Move the ${props.here.called.one}: ${saidOn(props.card)}`}
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

function Ways({ here, card, column, onDone }: MoveCardProps & { onDone: () => void }) {
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
