import { Box, chakra, Grid } from '@chakra-ui/react'
import type { PutUpNow } from '~/contracts/put-up'
import { AnswerView, TogetherView } from '../../prompts/answer-view'

/** More rooms than these can't be read from the last row: what they come to together counts all. */
const MOST_ROOMS = 24

interface PutUpShownProps {
  now: NonNullable<PutUpNow>
  /** Of one room, not of all. */
  isOne: boolean
  /** How large what they come to together is written. */
  togetherSize: string
  /** Of so many rooms at most; by itself of as many as a class can read. */
  mostRooms?: number
}

/** The work that is up, of one room or of all. */
export function PutUpShown({
  now: { prompts, rooms },
  isOne,
  togetherSize,
  mostRooms = MOST_ROOMS,
}: PutUpShownProps) {
  if (isOne)
    return prompts.map(({ id, text }) => (
      <Box key={id} mb="16px">
        {prompts.length > 1 && (
          <chakra.h3 fontSize="l" mb="4px">
            {text}
          </chakra.h3>
        )}
        <AnswerView read={rooms[0]?.answers[id]} />
      </Box>
    ))
  const [prompt] = prompts
  if (!prompt) return null
  const begun = rooms.filter(({ answers }) => answers[prompt.id]?.begun)
  const waited = rooms.length - begun.length
  return (
    <>
      <Box fontSize={togetherSize}>
        <TogetherView reads={rooms.flatMap(({ answers }) => answers[prompt.id] ?? [])} />
      </Box>
      <Grid templateColumns="repeat(auto-fit, minmax(280px, 1fr))" gap="16px">
        {begun.slice(0, mostRooms).map(({ name, answers }) => (
          <chakra.article key={name} aria-label={name} borderWidth="1px" borderRadius="8px" p="12px">
            <chakra.h3 fontSize="l" mb="4px" overflowWrap="anywhere">
              {name}
            </chakra.h3>
            <AnswerView read={answers[prompt.id]} />
          </chakra.article>
        ))}
      </Grid>
      {begun.length > mostRooms && (
        <chakra.p mt="12px" color="quiet">
          and {begun.length - mostRooms} more rooms
        </chakra.p>
      )}
      {waited > 0 && (
        <chakra.p mt="12px" color="quiet">
          {waited === 1 ? 'One room has' : `${waited} rooms have`} not written yet.
        </chakra.p>
      )}
    </>
  )
}
