import { Suspense, useContext } from 'react'
import { whenMet } from '../../prompts/when-met'
import { CommentsHere, type Spot } from './comments-here'

const CommentsAt = whenMet(() => import('./comments-at'))

/** What is commented on a piece of a board, or on a prompt as a whole; nothing where nothing is. */
export function CommentsOn(spot: Spot) {
  const here = useContext(CommentsHere)
  if (!here) return null
  const found = here.comments.filter(
    ({ promptId, pieceId }) => promptId === spot.promptId && pieceId === spot.pieceId,
  )
  if (found.length === 0 && !here.onComment) return null
  return (
    <Suspense fallback={null}>
      <CommentsAt spot={spot} here={here} found={found} />
    </Suspense>
  )
}
