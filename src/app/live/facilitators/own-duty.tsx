import { Box, Flex } from '@chakra-ui/react'
import { dutyOf } from '~/core/live/duties/duty'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

/** To whoever does not lead now: what is theirs, and how they take everything again. */
export function OwnDuty({ view, accountId, send }: { view: LiveView; accountId: string; send: Send }) {
  const { does, rooms } = dutyOf(view, accountId)
  const theirs = view.rooms.filter(({ id }) => rooms?.includes(id)).map(({ name }) => name)
  if (does === 'all' && theirs.length === 0) return null
  return (
    <Flex
      bg="sunk"
      borderRadius="6px"
      p="8px 12px"
      mt="8px"
      gap="12px"
      align="center"
      wrap="wrap"
      role="status"
    >
      <Box flex="1" minW="200px">
        {does === 'clock' && 'You keep the clock and the doors; all else is with the others at the front. '}
        {does === 'watch' && 'You look on: the session is with the others at the front. '}
        {theirs.length > 0 && `Yours to look after: ${theirs.join(', ')}.`}
      </Box>
      <Button size="small" onClick={() => send({ type: 'take-everything' })}>
        Take everything again
      </Button>
    </Flex>
  )
}
