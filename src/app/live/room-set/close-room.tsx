import { Box, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { Button } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

interface CloseRoomProps {
  room: LiveView['rooms'][number]
  rooms: LiveView['rooms']
  send: Send
  onClosed: () => void
}

/** Closes a room; its people go to the whole group, or into another room, where what they made can be read. */
export function CloseRoom({ room, rooms, send, onClosed }: CloseRoomProps) {
  const [toRoomId, setTo] = useState('')
  const others = rooms.filter(other => other.id !== room.id)
  // Where they were to go may have been closed meanwhile.
  const to = others.some(other => other.id === toRoomId) ? toRoomId : ''
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      onSubmit={async event => {
        event.preventDefault()
        if (await send({ type: 'close-room', roomId: room.id, toRoomId: to === '' ? null : to })) onClosed()
      }}
    >
      <Box flex="1" minW="0">
        <Field label="Close the room; its people go">
          {parts => (
            <Select {...parts} value={to} onChange={event => setTo(event.target.value)}>
              <option value="">to the whole group</option>
              {others.map(({ id, name }) => (
                <option key={id} value={id}>
                  into {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Box>
      <Button type="submit">Close it</Button>
    </Flex>
  )
}
