import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Field, Input, Select } from '../../ui/fields'
import { RoomMark } from '../../ui/room-mark'
import type { Plan } from './plan'

interface RoomNamesProps {
  rooms: Plan['rooms']
  prefix: string
  /** Who could look after rooms; nobody is asked where there is only one. */
  facilitators?: Plan['duties']
}

/** Rooms come from the groups; their names can be changed for this session, and each can be somebody’s to look after. */
export function RoomNames({ rooms, prefix, facilitators = [] }: RoomNamesProps) {
  return (
    <Stack gap="8px">
      {rooms.map((room, index) => (
        <Flex key={room.groupId} gap="6px 10px" align="center" wrap="wrap">
          <RoomMark index={index} />
          <input type="hidden" name={`${prefix}[${index}].groupId`} value={room.groupId} />
          <Box flex="1 1 170px">
            <Field label={`Name of room ${index + 1}`} hideLabel>
              {parts => (
                <Input {...parts} name={`${prefix}[${index}].name`} defaultValue={room.name} maxLength={60} />
              )}
            </Field>
          </Box>
          {facilitators.length > 1 && (
            <Box w="170px">
              <Field label={`Who looks after room ${index + 1}`} hideLabel>
                {parts => (
                  <Select {...parts} name={`${prefix}[${index}].byId`} defaultValue={room.byId ?? ''}>
                    <option value="">with all at the front</option>
                    {facilitators.map(({ accountId, name }) => (
                      <option key={accountId} value={accountId}>
                        with {name}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </Box>
          )}
          <chakra.span color="quiet" w="80px">
            {room.people === 1 ? '1 person' : `${room.people} people`}
          </chakra.span>
        </Flex>
      ))}
    </Stack>
  )
}
