import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import type { ProjectorView } from '~/core/live/views'
import { RoomMark } from '../../ui/room-mark'

/** Who goes where, for the wall. */
export function RoomsOnWall({ rooms }: Pick<ProjectorView, 'rooms'>) {
  return (
    <Grid
      as="ul"
      listStyleType="none"
      templateColumns="repeat(auto-fit, minmax(270px, 1fr))"
      gap="14px"
      aria-label="Who goes where"
    >
      {rooms.map((room, index) => (
        <Box
          as="li"
          key={room.id}
          bg="panel"
          borderWidth="1px"
          borderColor="edge"
          borderRadius="8px"
          p="14px"
        >
          <Flex gap="10px" align="center" mb="4px">
            <RoomMark index={index} size={28} />
            <chakra.h2 fontSize="xl" overflowWrap="anywhere">
              {room.name}
            </chakra.h2>
          </Flex>
          <Flex as="p" wrap="wrap" columnGap="14px" fontSize="l">
            {room.members.length === 0 && 'Nobody yet'}
            {room.members.map(name => (
              <chakra.span key={name} whiteSpace="nowrap">
                {name}
              </chakra.span>
            ))}
          </Flex>
        </Box>
      ))}
    </Grid>
  )
}
