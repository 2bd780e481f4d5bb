import { chakra } from '@chakra-ui/react'
import type { ProjectorView } from '~/core/live/views'

/** The last broadcast of the round, for the wall. */
export function BroadcastOnWall({ broadcast }: Pick<ProjectorView, 'broadcast'>) {
  if (!broadcast) return null
  return (
    <chakra.p
      role="status"
      fontSize="xl"
      bg="liveWash"
      borderLeftWidth="8px"
      borderColor="live"
      px="20px"
      py="10px"
      mb="16px"
    >
      {broadcast.text}
    </chakra.p>
  )
}
