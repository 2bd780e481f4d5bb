import { Box, chakra, Flex } from '@chakra-ui/react'
import { Check, MessageSquareQuote } from 'lucide-react'
import { useState } from 'react'
import { type Comment, MOST_REPLIES } from '~/core/live/comments/comment'
import { Button } from '../../ui/button'
import { CommentText } from './comment-text'
import type { CommentsOnBoard } from './comments-here'

interface OneCommentProps {
  comment: Comment
  here: CommentsOnBoard
}

/** A comment with what was answered; once it is dealt with only its beginning. */
export function OneComment({ comment, here }: OneCommentProps) {
  const { id, from, text, quote, pieceId, answers, settledBy } = comment
  const [answering, setAnswering] = useState(false)
  const isSettled = settledBy !== null
  return (
    <Box
      as="li"
      bg={isSettled ? 'sunk' : 'liveWash'}
      borderInlineStartWidth="3px"
      borderColor={isSettled ? 'edge' : 'live'}
      borderRadius="4px"
      px="10px"
      py="6px"
      fontSize="s"
    >
      <Flex gap="6px" align="center" color="quiet" wrap="wrap">
        <MessageSquareQuote size={16} aria-hidden="true" /> {from}
        {isSettled && (
          <Flex as="span" gap="2px" align="center">
            <Check size={16} aria-hidden="true" /> dealt with: {settledBy}
          </Flex>
        )}
      </Flex>
      {pieceId === null && quote !== '' && (
        <chakra.q fontStyle="italic" overflowWrap="anywhere">
          {quote}
        </chakra.q>
      )}
      <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
        {text}
      </chakra.p>
      {answers.map(answer => (
        <chakra.p key={answer.id} overflowWrap="anywhere">
          <b>{answer.by}</b>: {answer.text}
        </chakra.p>
      ))}
      {answering ? (
        <CommentText
          label="Answer"
          sends="Send the answer"
          onDone={() => setAnswering(false)}
          onSend={answer => here.onAnswer(id, answer)}
        />
      ) : (
        <Flex gap="4px" wrap="wrap">
          {!isSettled && answers.length < MOST_REPLIES && (
            <Button size="small" kind="bare" onClick={() => setAnswering(true)}>
              Answer
            </Button>
          )}
          <Button size="small" kind="bare" onClick={() => here.onSettle(id, !isSettled)}>
            {isSettled ? 'Take up again' : 'Dealt with'}
          </Button>
        </Flex>
      )}
    </Box>
  )
}
