import { Box, chakra } from '@chakra-ui/react'

/** What somebody wrote without a line, and sent when the board was closed to them. */
export interface LateHere {
  by: string
  /** When it came, by the session's own clock. */
  at: string
  pieces: { promptId: string; text: string }[]
}

interface CameLateProps {
  late: readonly LateHere[]
  promptId: string | undefined
}

/** Late contributions under a prompt: beside what the group made, never in it. */
export function CameLate({ late, promptId }: CameLateProps) {
  const here = late.flatMap(({ by, at, pieces }) =>
    pieces.filter(piece => piece.promptId === promptId).map(({ text }) => ({ by, at, text })),
  )
  if (here.length === 0) return null
  return (
    <Box mt="8px" borderLeftWidth="3px" borderColor="line" pl="8px" fontSize="s">
      <chakra.h4 fontWeight="600">Came late, and is not on the board</chakra.h4>
      <chakra.ul listStyleType="none">
        {here.map(({ by, at, text }, place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two may say the same, and none ever moves.
          <chakra.li key={place} overflowWrap="anywhere" whiteSpace="pre-wrap">
            {text}{' '}
            <chakra.span color="quiet">
              ({by}, {at})
            </chakra.span>
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  )
}
