import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Field, Input } from '../../ui/fields'
import { RoomMark } from '../../ui/room-mark'

interface RoomNamesProps {
  rooms: { groupId: string; name: string; people: number }[]
  prefix: string
}

/** Rooms come from the groups; their names can be changed for this session. */
export function RoomNames({ rooms, prefix }: RoomNamesProps) {
  return (
    <Stack gap="8px">
      {rooms.map((room, index) => (
        <Flex key={room.groupId} gap="10px" align="center">
          <RoomMark index={index} />
          <input type="hidden" name={`${prefix}[${index}].groupId`} value={room.groupId} />
          <Box flex="1">
            <Field label={`Name of room ${index + 1}`} hideLabel>
              {parts => (
                <Input {...parts} name={`${prefix}[${index}].name`} defaultValue={room.name} maxLength={60} />
              )}
            </Field>
          </Box>
          <chakra.span color="quiet" w="80px">
            {room.people === 1 ? '1 person' : `${room.people} people`}
          </chakra.span>
        </Flex>
      ))}
    </Stack>
  )
}
