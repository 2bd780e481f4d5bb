import { Box, chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'

/** What somebody wrote without a line, and sent when the board was closed to them. */
export interface LateHere {
  id: string
  copyId: string
  participantId: string
  by: string
  /** When it came, by the session's own clock. */
  at: string
  pieces: { promptId: string; text: string }[]
  /** Who put it on the board after all; null while it lies beside it. */
  putInBy: string | null
}

interface CameLateProps {
  late: readonly LateHere[]
  promptId: string | undefined
  /** Puts one on the board, where that is somebody's to do. */
  onPutIn?: (late: LateHere) => void
}

/** Late contributions under a prompt: beside what the group made, and in it only by a facilitator's hand. */
export function CameLate({ late, promptId, onPutIn }: CameLateProps) {
  const here = late.filter(({ pieces }) => pieces.some(piece => piece.promptId === promptId))
  if (here.length === 0) return null
  return (
    <Box mt="8px" borderLeftWidth="3px" borderColor="line" pl="8px" fontSize="s">
      <chakra.h4 fontWeight="600">
        {here.some(({ putInBy }) => putInBy === null) ? 'Came late, and is not on the board' : 'Came late'}
      </chakra.h4>
      <chakra.ul listStyleType="none">
        {here.map(one => (
          <Flex as="li" key={one.id} gap="4px 8px" align="baseline" justify="space-between" wrap="wrap">
            <chakra.span overflowWrap="anywhere" whiteSpace="pre-wrap">
              {one.pieces
                .filter(piece => piece.promptId === promptId)
                .map(({ text }) => text)
                .join('\n')}{' '}
              <chakra.span color="quiet">
                ({one.by}, {one.at}
                {one.putInBy !== null && `; put on the board by ${one.putInBy}`})
              </chakra.span>
            </chakra.span>
            {onPutIn && one.putInBy === null && (
              <Button
                size="small"
                flexShrink="0"
                aria-label={`Put what ${one.by} wrote on the board`}
                onClick={() => onPutIn(one)}
              >
                Put on the board
              </Button>
            )}
          </Flex>
        ))}
      </chakra.ul>
    </Box>
  )
}
