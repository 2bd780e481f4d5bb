import { Box, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { LONGEST_ROOM_NAME } from '~/core/live/rooms/room'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

export function RenameRoom({ room, send }: { room: LiveView['rooms'][number]; send: Send }) {
  const [name, setName] = useState(room.name)
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        send({ type: 'rename-room', roomId: room.id, name })
      }}
    >
      <Box flex="1">
        <Field label="Name of the room">
          {parts => (
            <Input
              {...parts}
              maxLength={LONGEST_ROOM_NAME}
              value={name}
              onChange={event => setName(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" disabled={name.trim() === '' || name === room.name}>
        Rename
      </Button>
    </Flex>
  )
}
