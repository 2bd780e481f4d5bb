import { memo } from 'react'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import { useSharedText } from '../use-shared'
import { capital, LONGEST_CARD } from './called'
import { CardFrame } from './card-frames'
import type { CardsHere } from './cards-here'
import { MoveCard } from './move-card'
import { RemoveCard } from './removed-cards'

export interface OneCardProps {
  here: CardsHere
  card: StandingCard
  column: number
  author: string | undefined
  isMine: boolean
  /** By which it is found elsewhere; null where cards have none. */
  number: number | null
  canMove: boolean
}

/**
 * A card with its text and what can be done with it. There can be a thousand: each is drawn anew only when something of it
 * changes, and until it first comes near what is seen, only what it says stands there.
 */
export const OneCard = memo(function OneCard(props: OneCardProps) {
  const { id, text } = props.card
  return (
    <CardFrame id={id}>
      {wasSeen => (wasSeen ? <OpenCard {...props} /> : <Said {...props} text={text.toString()} />)}
    </CardFrame>
  )
})

const Said = ({ text, author }: OneCardProps & { text: string }) => (
  <>
    <p className="card-text">{text}</p>
    <div className="card-foot">{author}</div>
  </>
)

function OpenCard({ here, card, column, author, isMine, number, canMove }: OneCardProps) {
  const { readOnly, full, called, onRemove } = here
  const shared = useSharedText(card.text)
  return (
    <>
      {readOnly ? (
        <p className="card-text">{shared.value}</p>
      ) : (
        <textarea
          {...shared}
          className="card-text"
          readOnly={full}
          aria-label={`${capital(called.one)}${author ? ` by ${author}` : ''}`}
          maxLength={LONGEST_CARD}
          rows={1}
        />
      )}
      <div className="card-foot">
        <span>
          {number !== null && <b>{number}</b>}
          {author}
        </span>
        {!readOnly && (
          <div className="card-moves">
            {called.more?.(card.id)}
            {canMove && <MoveCard here={here} card={card} column={column} />}
            <RemoveCard
              text={shared.value}
              author={author}
              mine={isMine}
              called={called}
              onRemove={() => onRemove(card.id)}
            />
          </div>
        )}
      </div>
    </>
  )
}
