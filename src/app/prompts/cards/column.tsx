import { Box, chakra } from '@chakra-ui/react'
import { type ReactNode, useState } from 'react'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import { nameHeap, stacksOf } from '~/core/boards/prompts/cards/heaps'
import { capital } from './called'
import { ColumnFrame } from './card-frames'
import type { CardsHere } from './cards-here'
import { HeapName } from './heap-name'
import { OneCard } from './one-card'
import { RunsInSight, useSpelledOut } from './runs-in-sight'

interface ColumnProps {
  here: CardsHere
  place: number
  cards: readonly StandingCard[]
  heaps: ReadonlyMap<string, string>
  authors: Readonly<Record<string, string>>
  myName: string | null
  /** What stands below the cards. */
  children: ReactNode
}

export function Column({ here, place, cards, heaps, authors, myName, children }: ColumnProps) {
  const { doc, promptId, readOnly, full, columns, called } = here
  const name = columns[place] ?? ''
  const [runs] = useState(() => new RunsInSight())
  const spelled = useSpelledOut(cards.length)
  const places = new Map(cards.map((card, index) => [card, index]))
  const draw = (card: StandingCard) => {
    const author = authors[`${promptId}/${card.id}`]
    return (
      <OneCard
        key={card.id}
        here={here}
        card={card}
        column={place}
        place={places.get(card) ?? 0}
        runs={runs}
        isSpelled={(places.get(card) ?? 0) < spelled}
        author={author}
        isMine={author === (myName ?? undefined)}
        canMove={cards.length > 1 || columns.length > 1}
      />
    )
  }
  return (
    <ColumnFrame place={place} isAlone={columns.length === 1}>
      {name && (
        <chakra.h4 fontSize="m" mb="6px">
          {name}{' '}
          <chakra.span color="quiet" fontWeight="400">
            {cards.length}
          </chakra.span>
        </chakra.h4>
      )}
      <ul className="cards" aria-label={name || capital(called.many)}>
        {/* One list of all: whoever writes on a card keeps it in hand when it, or another, is moved. */}
        {stacksOf(cards).flatMap(({ heap, cards: stacked }) =>
          heap === null ? (
            stacked.map(draw)
          ) : (
            <Box
              as="li"
              key={heap}
              gridColumn="1 / -1"
              borderWidth="1px"
              borderColor="edge"
              borderRadius="8px"
              p="8px"
            >
              <HeapName
                name={heaps.get(heap) ?? ''}
                readOnly={readOnly || full}
                onName={said => nameHeap(doc, promptId, heap, said)}
              />
              <ul className="cards" aria-label={heaps.get(heap) || 'Heap'}>
                {stacked.map(draw)}
              </ul>
            </Box>
          ),
        )}
      </ul>
      {children}
    </ColumnFrame>
  )
}
