import { Box, chakra } from '@chakra-ui/react'
import { memo, type ReactNode } from 'react'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import { nameHeap, stacksOf } from '~/core/boards/prompts/cards/heaps'
import { capital } from './called'
import { ColumnFrame } from './card-frames'
import type { CardsHere } from './cards-here'
import { HeapName } from './heap-name'
import { OneCard } from './one-card'
import { useRunsInSight } from './runs-in-sight'

interface CardListProps {
  here: CardsHere
  place: number
  cards: readonly StandingCard[]
  heaps: ReadonlyMap<string, string>
  authors: Readonly<Record<string, string>>
  myName: string | null
}

interface ColumnProps extends CardListProps {
  /** What stands below the cards. */
  children: ReactNode
}

export function Column({ children, ...list }: ColumnProps) {
  const { here, place, cards } = list
  const name = here.columns[place] ?? ''
  return (
    <ColumnFrame place={place} isAlone={here.columns.length === 1}>
      {name && (
        <chakra.h4 fontSize="m" mb="6px">
          {name}{' '}
          <chakra.span color="quiet" fontWeight="400">
            {cards.length}
          </chakra.span>
        </chakra.h4>
      )}
      <CardList {...list} />
      {children}
    </ColumnFrame>
  )
}

/** The cards of a column, gone through only when one of them, or whose it is, is another. */
const CardList = memo(function CardList({ here, place, cards, heaps, authors, myName }: CardListProps) {
  const { doc, promptId, readOnly, full, columns, called } = here
  const runs = useRunsInSight(cards.length)
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
        author={author}
        isMine={author === (myName ?? undefined)}
        canMove={cards.length > 1 || columns.length > 1}
      />
    )
  }
  return (
    <ul className="cards" aria-label={columns[place] || capital(called.many)}>
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
  )
})
