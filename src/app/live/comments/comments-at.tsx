import { Box, Flex, Stack } from '@chakra-ui/react'
import { MessageSquareQuote } from 'lucide-react'
import { useState } from 'react'
import { type Comment, LONGEST_QUOTE } from '~/core/live/comments/comment'
import { Button } from '../../ui/button'
import { TakeOffButton } from '../taken-off/take-off-button'
import { CommentText } from './comment-text'
import type { CommentsOnBoard, Spot } from './comments-here'
import { OneComment } from './one-comment'

interface CommentsAtProps {
  spot: Spot
  here: CommentsOnBoard
  found: readonly Comment[]
}

/** Comments where they are pinned, and pinning one. */
export default function CommentsAt({ spot, here, found }: CommentsAtProps) {
  const [quote, setQuote] = useState<string | null>(null)
  const { onComment } = here
  return (
    <Box className="card-comments" mt="6px">
      {found.length > 0 && (
        <Stack as="ul" listStyleType="none" gap="8px" aria-label="Comments">
          {found.map(comment => (
            <OneComment key={comment.id} comment={comment} here={here} />
          ))}
        </Stack>
      )}
      {onComment && quote === null && (
        <Flex>
          <Button
            size="small"
            kind="bare"
            // What is marked on the page is let go once the button has the focus.
            onMouseDown={event => event.preventDefault()}
            onClick={() => setQuote(spot.quote || markedText())}
          >
            <MessageSquareQuote size={16} aria-hidden="true" />
            {spot.pieceId === null ? 'Comment on this' : 'Comment'}
          </Button>
          {spot.pieceId !== null && (
            <TakeOffButton promptId={spot.promptId} pieceId={spot.pieceId} text={spot.quote} />
          )}
        </Flex>
      )}
      {onComment && quote !== null && (
        <CommentText
          label={quote ? `Comment on “${quote}”` : 'Comment'}
          sends="Pin the comment"
          onDone={() => setQuote(null)}
          onSend={text => onComment({ ...spot, quote }, text)}
        />
      )}
    </Box>
  )
}

/** What somebody has marked on the page, a line of a sheet say, as far as it goes with a comment. */
const markedText = (): string =>
  (window.getSelection()?.toString() ?? '').replace(/\s+/g, ' ').trim().slice(0, LONGEST_QUOTE)
