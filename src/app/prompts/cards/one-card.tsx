import { memo } from 'react'
import type { StandingCard } from '~/core/boards/prompts/cards/document'
import { LONGEST_QUOTE } from '~/core/live/comments/comment'
import { CommentsOn } from '../../live/comments/comments-on'
import { useSharedText, useSharedWords } from '../use-shared'
import { capital, LONGEST_CARD } from './called'
import { CardFrame } from './card-frames'
import type { CardsHere } from './cards-here'
import { MoveCard } from './move-card'
import { RemoveCard } from './removed-cards'
import type { RunsInSight } from './runs-in-sight'

export interface OneCardProps {
  here: CardsHere
  card: StandingCard
  column: number
  /** Where it stands in its column, from 0. */
  place: number
  runs: RunsInSight
  author: string | undefined
  isMine: boolean
  canMove: boolean
}

/**
 * A card with its text and what can be done with it. There can be a thousand: each is drawn anew only when something of it
 * changes, and until it first comes near what is seen, only its text stands there, a moment after what is seen.
 */
export const OneCard = memo(function OneCard(props: OneCardProps) {
  const { card, runs, place } = props
  return (
    <CardFrame id={card.id} runs={runs} place={place}>
      {drawn => (drawn === 'whole' ? <OpenCard {...props} /> : drawn === 'words' && <FarCard {...props} />)}
    </CardFrame>
  )
})

/** For who searches the page, or has it read to them: what it says, and whose it is. */
function FarCard({ card, author }: OneCardProps) {
  return (
    <p className="card-text">
      {useSharedWords(card.text)}
      {author && ` ${author}`}
    </p>
  )
}

function OpenCard({ here, card, column, place, author, isMine, canMove }: OneCardProps) {
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
          {called.numbered && <b>{place + 1}</b>}
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
      <CommentsOn promptId={here.promptId} pieceId={card.id} quote={shared.value.slice(0, LONGEST_QUOTE)} />
    </>
  )
}
